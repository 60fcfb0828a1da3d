import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainPattern } from '../../../tests/fixtures/patterns';
import { type Part, partsOf, sentenceOf, takingParts } from './parts';
import { pathFinder, untouchedParts } from './path-through';
import { patternTable } from './pattern-table';
import { typicalTexts } from './texts';

function rows(source: string) {
  const found = partsOf(source);
  if (!found) throw new Error(source);
  return found;
}

describe('a pattern in plain words', () => {
  it.each([
    ['[A-Z]{2}[0-9]-[0-9]{4}', 'A to Z 2 times, then 0 to 9, then “-”, then 0 to 9 4 times'],
    ['colou?r', '“colo”, then “u” or not at all, then “r”'],
    ['a|bc|', '“a”; or “bc”; or nothing'],
    ['(?:ab|c)+', '(either “ab”, or “c”) once or more'],
    ['^\\d{2,}$', 'at the beginning, then 0 to 9 2 times or more, then at the end'],
    ['[^a-c.]*', 'anything but a to c or a dot any number of times'],
    [
      '\\p{L}[\\p{L} ’\\-]{0,40}',
      'a letter of any script, then a letter of any script, a space, ’ or a hyphen up to 40 times',
    ],
    [
      '(?=.*\\d).{8,}',
      'followed by any character but the end of a line any number of times, then 0 to 9, then any character but the end of a line 8 times or more',
    ],
    ['(a)\\1', '“a”, then the same as group 1 took'],
    [
      '\\D\\S\\W',
      'anything but 0 to 9, then anything but a space, then anything but a letter a to z, a digit or _',
    ],
    ['\\s\\w', 'a space of any kind, then a letter a to z, a digit or _'],
    [
      '\\p{Lu}\\p{Ll}\\p{M}\\p{N}',
      'a capital letter of any script, then a small letter of any script, then an accent, then a number sign of any script',
    ],
    [
      '\\p{Nd}\\p{P}\\p{S}\\p{Zs}',
      'a digit of any script, then a punctuation mark, then a symbol, then a space of any kind',
    ],
    [
      '\\p{Emoji}\\p{Alphabetic}\\p{Letter}',
      'an emoji or a digit, then a letter of any script, then a letter of any script',
    ],
    [
      '\\P{Lu}\\p{Script=Greek}\\p{ASCII}',
      'anything but a capital letter of any script, then what Unicode calls Script Greek, then what Unicode calls ASCII',
    ],
    [
      '[ \\t\\n\\r\\u00a0\\-.,]',
      'a space, a tab, a new line, a carriage return, a no-break space, a hyphen, a dot or a comma',
    ],
    ['[\\u200b\\u2028ab]', 'U+200B, U+2028, a or b'],
    [
      'a{1}b{0}c{0,1}d{1,}e{2,3}',
      '“a”, then “b” 0 times, then “c” or not at all, then “d” once or more, then “e” 2 to 3 times',
    ],
    ['(?:a(?:b|c)){2}', '(“a”, then either “b”, or “c”) 2 times'],
    ['(?!a)(?<=b)(?<!c)d', 'not followed by “a”, then after “b”, then not after “c”, then “d”'],
    ['a\\bb\\Bc', '“a”, then at the edge of a word, then “b”, then inside a word or outside, then “c”'],
    ['(?<n>a)\\k<n>', '“a”, then the same as group n took'],
    ['[]', 'no character at all'],
    ['\\.\\/', '“./”'],
  ])('%s', (source, sentence) => {
    expect(sentenceOf(rows(source))).toBe(sentence);
  });

  it('points to where each part stands', () => {
    const source = 'x[A-Z]{2}(?:a|\\d)';
    const spans = (all: readonly (readonly Part[])[]): string[] =>
      all
        .flat()
        .flatMap((part) => [
          source.slice(part.span.start, part.span.end),
          ...(part.is === 'times' ? spans([[part.part]]) : part.is === 'choice' ? spans(part.rows) : []),
        ]);
    expect(spans(rows(source))).toEqual(['x', '[A-Z]{2}', '[A-Z]', '(?:a|\\d)', 'a', '\\d']);
  });

  it('may have what would end a literal, and new lines', () => {
    expect(sentenceOf(rows('[0-9]/[0-9]'))).toBe('0 to 9, then “/”, then 0 to 9');
    expect(sentenceOf(rows('a\n'))).toBe('“a\n”');
    expect(partsOf('')).toEqual([[]]);
  });

  it('is none where it does not compile', () => {
    expect([partsOf('a{2'), partsOf('[a-]'), partsOf(')')]).toEqual([null, null, null]);
  });
});

describe('the way of a text through a pattern', () => {
  const source = '[A-Z]{2}(?:[0-9]|x)-?';
  const found = rows(source);
  const names = new Map(takingParts(found).map(({ id, raw }) => [id, raw]));
  it.each([
    ['', [], ['[A-Z]'], false],
    ['T', ['[A-Z]'], ['[A-Z]'], false],
    ['TG', ['[A-Z]', '[A-Z]'], ['[0-9]', 'x'], false],
    ['TG4', ['[A-Z]', '[A-Z]', '[0-9]'], ['-'], true],
    ['TG4-', ['[A-Z]', '[A-Z]', '[0-9]', '-'], [], true],
    ['TGy', ['[A-Z]', '[A-Z]'], ['[0-9]', 'x'], false],
  ])('%s', (text, parts, next, isWhole) => {
    const path = pathFinder(found)(text);
    const named = (ids: Iterable<number>) => [...ids].map((id) => names.get(id));
    expect([named(path.parts), named(path.next), path.isWhole]).toEqual([parts, next, isWhole]);
  });

  it('goes through parts that take what was taken, for every text that the pattern accepts', () => {
    fc.assert(
      fc.property(plainPattern, (source) => {
        const all = rows(source);
        const table = patternTable({ source, match: 'whole' });
        const raw = new Map(takingParts(all).map((part) => [part.id, part.raw]));
        if (table.status !== 'known') throw new Error(JSON.stringify(table));
        for (const text of typicalTexts(table.table, 5)) {
          const { parts, isWhole } = pathFinder(all)(text);
          expect([text, isWhole, parts.length]).toEqual([text, true, Array.from(text).length]);
          for (const [index, letter] of Array.from(text).entries())
            expect(new RegExp(`^(?:${raw.get(parts[index] as number)})$`, 'v').test(letter)).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('says which parts no sample went through', () => {
    const left = (...texts: string[]) => untouchedParts(found, texts).map((id) => names.get(id));
    expect(left()).toEqual(['[A-Z]', '[0-9]', 'x', '-']);
    expect(left('TG4')).toEqual(['x', '-']);
    expect(left('TG4-', 'TGx', 'TG')).toEqual([]);
  });
});
