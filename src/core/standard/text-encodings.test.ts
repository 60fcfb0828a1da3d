import { describe, expect, it } from 'vitest';
import { encodeText, outputEncoding, windows1252 } from './text-encodings';

describe('encodings', () => {
  it.each([
    ['utf8', 'UTF-8'],
    [' UTF-8\n', 'UTF-8'],
    ['latin1', 'windows-1252'],
    ['iso-8859-2', 'ISO-8859-2'],
    ['sjis', 'Shift_JIS'],
    ['euc-jp', 'EUC-JP'],
    ['euc-kr', 'EUC-KR'],
    ['koi8-r', 'KOI8-R'],
    ['ibm866', 'IBM866'],
    ['gb2312', 'GBK'],
    ['gb18030', 'gb18030'],
    ['big5', 'Big5'],
    ['macintosh', 'macintosh'],
    ['utf-16', 'UTF-8'],
    ['utf-16be', 'UTF-8'],
    ['nothing', null],
    ['', null],
  ])('“%s” is sent as %s', (label, name) => {
    expect(outputEncoding(label)).toBe(name);
  });

  it.each([
    ['aé€', 'UTF-8', 'a\xc3\xa9\xe2\x82\xac'],
    ['é€', 'windows-1252', '\xe9\x80'],
    ['\x81', 'windows-1252', '\x81'],
    ['Ł', 'windows-1252', '&#321;'],
    ['😀', 'windows-1252', '&#128512;'],
    ['Ł', 'ISO-8859-2', '\xa3'],
    ['あ', 'Shift_JIS', '\x82\xa0'],
    ['ｱ', 'Shift_JIS', '\xb1'],
    ['漢', 'EUC-JP', '\xb4\xc1'],
    ['中', 'Big5', '\xa4\xa4'],
    ['~\x7f', 'Shift_JIS', '~\x7f'],
  ])('“%s” in %s is %j', (text, encoding, bytes) => {
    expect(encodeText(text, encoding)).toBe(bytes);
  });

  it('send a lone surrogate as a replacement character, and a pair as it is', () => {
    expect(encodeText('\ud83d', 'UTF-8')).toBe('\xef\xbf\xbd');
    expect(encodeText('\ude00x', 'UTF-8')).toBe('\xef\xbf\xbdx');
    expect(encodeText('😀', 'UTF-8')).toBe('\xf0\x9f\x98\x80');
  });

  it('read bytes as windows-1252', () => {
    expect(windows1252('a\x80\x9f\xe9')).toBe('a€Ÿé');
    expect(windows1252('\x92')).toBe('’');
  });
});
