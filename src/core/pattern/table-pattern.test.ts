import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patternTable } from './pattern-table';
import { acceptsText, lastCodePoint, type Table, tableOf } from './table';
import { classText, patternOf } from './table-pattern';

function table(source: string): Table {
  const found = patternTable({ source, match: 'whole' });
  if (found.status !== 'known') throw new Error(source);
  return found.table;
}

describe('a table as a pattern', () => {
  it.each([
    ['', ''],
    ['a', 'a'],
    ['ab', 'ab'],
    ['aa*', 'a+'],
    ['a*', 'a*'],
    ['a?', 'a?'],
    ['(?:a?)*', 'a*'],
    ['[ab]+', '[ab]+'],
    ['a|b', '[ab]'],
    ['(?:ab)*', '(?:ab)*'],
    ['(?:ab)?', '(?:ab)?'],
    ['(?:ab)+', 'ab(?:ab)*'],
    ['[0-9]', '\\d'],
    ['[A-Za-z0-9_]+', '\\w+'],
    ['[a-z0-9]', '[0-9a-z]'],
    ['.', '.'],
    ['[^]', '[^]'],
    ['[^a]', '[^a]'],
    ['[^a\\-c]', '[^\\-ac]'],
    ['\\.', '\\.'],
    ['x\\(y', 'x\\(y'],
    ['\\u{1}', '\\u{1}'],
    ['[\\u{1}-\\u{3}]', '[\\u{1}-\\u{3}]'],
    ['😀', '😀'],
  ])('%j is %j', (source, written) => {
    expect(patternOf(table(source))).toBe(written);
  });

  it('is none of what accepts nothing, and none that is longer than one reads', () => {
    expect(patternOf(table('[]'))).toBeNull();
    expect(patternOf(table('abcdef'), 6)).toBe('abcdef');
    expect(patternOf(table('abcdef'), 5)).toBeNull();
  });

  it('accepts the same texts, whatever leads where', () => {
    const letters = ['a', 'b', 'c'];
    const texts = ['', ...letters];
    for (let length = 1; length < 4; length++)
      texts.push(
        ...texts
          .filter((one) => one.length === length)
          .flatMap((one) => letters.map((letter) => one + letter)),
      );
    const drafts = fc.integer({ min: 1, max: 4 }).chain((count) =>
      fc.record({
        bounds: fc.constant([0, 0x61, 0x62, 0x63, 0x64]),
        next: fc.array(
          fc
            .array(fc.integer({ min: -1, max: count - 1 }), { minLength: 3, maxLength: 3 })
            .map((row) => [-1, ...row, -1]),
          { minLength: count, maxLength: count },
        ),
        accepts: fc.array(fc.boolean(), { minLength: count, maxLength: count }),
        start: fc.constant(0),
      }),
    );
    fc.assert(
      fc.property(drafts, (draft) => {
        const drawn = tableOf(draft);
        const written = patternOf(drawn, 20_000);
        const accepted = texts.filter((one) => acceptsText(drawn, one));
        const read = written === null ? null : new RegExp(`^(?:${written})$`, 'v');
        expect([written, texts.filter((one) => read?.test(one))]).toEqual([written, accepted]);
      }),
    );
  });
});

describe('characters as a class', () => {
  const isIn = (text: string, codePoint: number) =>
    new RegExp(`^${text}$`, 'v').test(String.fromCodePoint(codePoint));

  it('takes each character of ASCII as it is, alone and among others', () => {
    for (let code = 0; code < 128; code++) {
      const alone = classText([[code, code]]);
      const among = classText([
        [code, code],
        [0x100, 0x101],
      ]);
      for (let other = 0; other < 128; other++)
        expect([alone, among, other, isIn(alone, other), isIn(among, other)]).toEqual([
          alone,
          among,
          other,
          code === other,
          code === other,
        ]);
    }
  });

  it('takes ranges with both their ends, and what is left where they go on to the last one', () => {
    const ends = fc.uniqueArray(fc.integer({ min: 0, max: 0x2100 }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(ends, fc.boolean(), (codes, isOpen) => {
        const sorted = codes.toSorted((a, b) => a - b);
        const pairs: [number, number][] = [];
        for (let at = 0; at + 1 < sorted.length; at += 2)
          pairs.push([sorted[at] as number, sorted[at + 1] as number]);
        const last = pairs.at(-1);
        if (isOpen && last) last[1] = lastCodePoint;
        // Ranges next to each other are one.
        fc.pre(pairs.every(([min], at) => at === 0 || min > (pairs[at - 1]?.[1] ?? 0) + 1));
        const text = classText(pairs);
        for (const code of sorted.flatMap((one) => [Math.max(0, one - 1), one, one + 1]))
          expect([text, code, isIn(text, code)]).toEqual([
            text,
            code,
            pairs.some(([min, max]) => min <= code && code <= max),
          ]);
      }),
    );
  });
});
