import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hardWrapped, wrappedAsDrawn } from './hard-wrap';

const text = fc.string({ unit: fc.constantFrom('a', 'b', ' ', '\n', 'ä', '😀'), maxLength: 60 });

describe('hard wrapping, as the standard has it', () => {
  it.each([
    ['one two three', 7, 'one two\nthree'],
    ['one two three', 3, 'one\ntwo\nthree'],
    ['unbreakable word', 5, 'unbreakable\nword'],
    ['short', 20, 'short'],
    ['a\n\nb c', 1, 'a\n\nb\nc'],
    ['', 5, ''],
  ])('%j in %i columns is %j', (given, columns, wrapped) => {
    expect(hardWrapped(given, columns)).toBe(wrapped);
  });
  it('moves no letter, and makes no line longer than the columns unless it is one word', () => {
    fc.assert(
      fc.property(text, fc.integer({ min: 1, max: 20 }), (given, columns) => {
        const wrapped = hardWrapped(given, columns);
        expect(wrapped.replace(/[ \n]/g, '')).toBe(given.replace(/[ \n]/g, ''));
        for (const line of wrapped.split('\n'))
          if (line.length > columns) expect(line.trim()).not.toContain(' ');
      }),
    );
  });
});

describe('hard wrapping, as it is drawn', () => {
  const monospaced = (given: string, columns: number) =>
    wrappedAsDrawn(given, columns, (part) => [...part].length);
  it.each([
    ['one two three', 7, 'one two \nthree'],
    ['one two', 3, 'one \ntwo'],
    ['unbreakable', 5, 'unbre\nakabl\ne'],
    ['a      b', 3, 'a      \nb'],
    ['😀😀😀', 2, '😀😀\n😀'],
    ['', 5, ''],
  ])('%j in the room of %i letters is %j', (given, columns, wrapped) => {
    expect(monospaced(given, columns)).toBe(wrapped);
  });
  it('goes by the width of each letter', () => {
    expect(wrappedAsDrawn('ii mm', 4, (part) => part.replaceAll('m', 'mm').length)).toBe('ii \nmm');
  });
  it('only adds line breaks, and leaves at most spaces hanging over', () => {
    fc.assert(
      fc.property(text, fc.integer({ min: 1, max: 20 }), (given, columns) => {
        const wrapped = monospaced(given, columns);
        expect(wrapped.replaceAll('\n', '')).toBe(given.replaceAll('\n', ''));
        for (const line of wrapped.split('\n'))
          expect([...line.trimEnd()].length).toBeLessThanOrEqual(columns);
      }),
    );
  });
});
