import { describe, expect, it } from 'vitest';
import { boundaryOf, receivedEntries, utf8 } from './form-decodings';

const read = (...of: Parameters<typeof receivedEntries>) =>
  receivedEntries(...of).map(({ name, value, filename }) => [name, value, filename]);
const bytes = (text: string) => Buffer.from(text).toString('latin1');

describe('what a server reads', () => {
  it('of a query: names and values between ampersands, with plus for a space and bytes as hex', () => {
    expect(read('/go?a=1+2&b=%C3%A9%3d&&c&d=x=y?z', null, 'left=out')).toEqual([
      ['a', '1 2', null],
      ['b', 'é=', null],
      ['c', '', null],
      ['d', 'x=y?z', null],
    ]);
    expect(read('/go', null, '')).toEqual([]);
    expect(read('/go?%zz=%E9', null, '')).toEqual([['%zz', '\ufffd', null]]);
  });

  it('of a body by its content type', () => {
    const body = 'a=1+2&b=%26';
    expect(read('/go?no=1', 'application/x-www-form-urlencoded', body)).toEqual([
      ['a', '1 2', null],
      ['b', '&', null],
    ]);
    expect(read('/go', 'text/plain; charset=utf-8', bytes('a=1+2\r\nb=é=x\r\nc\r\n'))).toEqual([
      ['a', '1+2', null],
      ['b', 'é=x', null],
      ['c', '', null],
    ]);
  });

  it('of several parts: names, files, and lines in names that were written as hex', () => {
    const parts = [
      'Content-Disposition: form-data; name="a%22b%0D%0Ac"\r\n\r\none\r\ntwo',
      'Content-Disposition: form-data; name="f"; filename="Möwen.txt"\r\nContent-Type: text/plain\r\n\r\ngulls\r\n\r\n',
      'Content-Disposition: form-data\r\n\r\nnameless',
    ];
    const body = bytes(`${parts.map((part) => `--X\r\n${part}\r\n`).join('')}--X--\r\n`);
    expect(read('/go', 'multipart/form-data; boundary=X', body)).toEqual([
      ['a"b\r\nc', 'one\r\ntwo', null],
      ['f', 'gulls\r\n\r\n', 'Möwen.txt'],
      ['', 'nameless', null],
    ]);
    expect(receivedEntries('/go', 'multipart/form-data; boundary=X', body)[0]?.encoded).toBe(
      `--X\r\n${parts[0]}\r\n`,
    );
    expect(read('/go', 'multipart/form-data', body)).toEqual([]);
  });

  it('keeps each entry as it was sent', () => {
    expect(receivedEntries('/?a=%20&b=+', null, '').map(({ encoded }) => encoded)).toEqual(['a=%20', 'b=+']);
    expect(receivedEntries('/', 'text/plain', 'a=b\r\n')[0]?.encoded).toBe('a=b');
  });

  it.each([
    ['multipart/form-data; boundary=X1', 'X1'],
    ['multipart/form-data; boundary="X 1"; charset=utf-8', 'X 1'],
    ['multipart/form-data; boundary=X;q=1', 'X'],
    ['multipart/form-data', null],
    [null, null],
  ])('the boundary in %s is %s', (type, boundary) => {
    expect(boundaryOf(type)).toBe(boundary);
  });

  it('takes a byte order mark for text', () => {
    expect(utf8('\u00ef\u00bb\u00bfa')).toBe('\ufeffa');
  });
});
