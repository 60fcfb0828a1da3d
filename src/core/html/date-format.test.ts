import { describe, expect, it } from 'vitest';
import { dateFormatIn } from './date-format';

describe('a format of a date in words', () => {
  it.each([
    ['DD.MM.YYYY', 'DD.MM.YYYY', '11.11.2011'],
    ['As on the form, TT.MM.JJJJ please', 'TT.MM.JJJJ', '11.11.2011'],
    ['(jj/mm/aaaa)', 'jj/mm/aaaa', '11/11/2011'],
    ['ÅÅÅÅ-MM-DD', 'ÅÅÅÅ-MM-DD', '2011-11-11'],
    ['ДД.ММ.ГГГГ', 'ДД.ММ.ГГГГ', '11.11.2011'],
    ['d/m/yyyy', 'd/m/yyyy', '11/11/2011'],
    ['mm/dd/yy', 'mm/dd/yy', '11/11/11'],
    ['DD MM YYYY', 'DD MM YYYY', '11 11 2011'],
    ['Code A-B, then DD-MM-YYYY', 'DD-MM-YYYY', '11-11-2011'],
  ])('%s: %s, as in %s', (text, format, example) => {
    expect(dateFormatIn(text)).toEqual({ format, example });
  });

  it.each([
    '',
    '14.03.2026',
    'XX.XX.XXXX',
    'DD.MM.DDDD',
    'HH:MM',
    'DD.MM-YYYY',
    'DDMMYYYY',
    'a/b/c',
    'DDD.MM.YYYY',
    'YYYY.MMMM.DD',
    'SKR-DD.MM.YYYY1',
    'xDD.MM.YYYY',
    'to be or not to be',
  ])('%j has none', (text) => {
    expect(dateFormatIn(text)).toBeNull();
  });
});
