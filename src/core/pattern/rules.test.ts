import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyPattern, anyText, plainPattern } from '../../../tests/fixtures/patterns';
import { Budget } from '../regexp/budget';
import { allOf, beginningsOf, combined, everyText, lengthTable, without } from './combine';
import { comparedRules } from './compare-rules';
import { lenientPattern, liveCheck } from './live-rule';
import { patternTable } from './pattern-table';
import { acceptsText, dead, type Table } from './table';
import { patternOf } from './table-pattern';
import { shortestText, typicalTexts } from './texts';
import { standingOf } from './three-way';

function table(source: string, match: 'whole' | 'part' = 'whole'): Table {
  const found = patternTable({ source, match });
  if (found.status !== 'known') throw new Error(`${source}: ${JSON.stringify(found)}`);
  return found.table;
}

/** Every text of these letters up to a length. */
const allTexts = (letters: string, length: number): string[] =>
  length === 0
    ? ['']
    : ['', ...Array.from(letters).flatMap((one) => allTexts(letters, length - 1).map((text) => one + text))];
const short = [...new Set(allTexts('ab1-', 4))];

describe('the three-way verdict', () => {
  it('is what the texts of the pattern say', () => {
    fc.assert(
      fc.property(plainPattern, anyText, (source, text) => {
        const rule = table(source);
        const standing = standingOf(rule, text);
        const expression = new RegExp(`^(?:${source})$`, 'u');
        expect(standing.verdict === 'accepted').toBe(expression.test(text));
        if (standing.verdict === 'unfinished') {
          expect(acceptsText(rule, text + standing.rest)).toBe(true);
          // None that is shorter goes on from here.
          for (const one of short)
            if (one.length < standing.rest.length) expect(acceptsText(rule, text + one)).toBe(false);
        }
        if (standing.verdict === 'refused') {
          const alive = text.slice(0, standing.at);
          expect(acceptsText(beginningsOf(rule), alive) || rule.start === dead).toBe(true);
          const died = alive + String.fromCodePoint(text.codePointAt(standing.at) ?? 0);
          for (const one of short) expect(acceptsText(rule, died + one)).toBe(false);
        }
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    ['[A-Z]{2}[0-9]-[0-9]{4}', 'TG4', { verdict: 'unfinished', rest: '-1111' }],
    ['[A-Z]{2}[0-9]-[0-9]{4}', 'TG4-7719', { verdict: 'accepted' }],
    ['[A-Z]{2}[0-9]-[0-9]{4}', 'TG-', { verdict: 'refused', at: 2 }],
    ['😀a', '😀b', { verdict: 'refused', at: 2 }],
    ['[]', '', { verdict: 'refused', at: 0 }],
  ])('of %s for %s', (source, text, standing) => {
    expect(standingOf(table(source), text)).toEqual(standing);
  });
});

describe('tables together', () => {
  it('follow the laws of sets', () => {
    fc.assert(
      fc.property(
        plainPattern,
        plainPattern,
        fc.array(anyText, { minLength: 12, maxLength: 12 }),
        (a, b, texts) => {
          const [first, second] = [table(a), table(b)];
          const [both, only] = [allOf([first, second]), without(first, second)];
          const either = combined([first, second], (by) => by.includes(true));
          for (const text of [...texts, ...short.slice(0, 60)]) {
            const [inFirst, inSecond] = [acceptsText(first, text), acceptsText(second, text)];
            expect(acceptsText(both, text)).toBe(inFirst && inSecond);
            expect(acceptsText(only, text)).toBe(inFirst && !inSecond);
            expect(acceptsText(either, text)).toBe(inFirst || inSecond);
          }
          expect(without(first, first).start).toBe(dead);
          expect(without(first, everyText).start).toBe(dead);
          // Smallest tables of the same texts are the same tables.
          expect(allOf([first, everyText])).toEqual(first);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('compare as their texts do', () => {
    fc.assert(
      fc.property(plainPattern, plainPattern, (a, b) => {
        const [first, second] = [table(a), table(b)];
        const { relation, ...texts } = comparedRules(first, second);
        const own = short.some((text) => acceptsText(first, text) && !acceptsText(second, text));
        const others = short.some((text) => !acceptsText(first, text) && acceptsText(second, text));
        if (own) expect(['around', 'overlapping', 'apart']).toContain(relation);
        if (others) expect(['inside', 'overlapping', 'apart']).toContain(relation);
        for (const text of texts.first)
          expect([acceptsText(first, text), acceptsText(second, text)]).toEqual([true, false]);
        for (const text of texts.second)
          expect([acceptsText(first, text), acceptsText(second, text)]).toEqual([false, true]);
        for (const text of texts.both)
          expect([acceptsText(first, text), acceptsText(second, text)]).toEqual([true, true]);
        expect(comparedRules(second, first).first).toEqual(texts.second);
        expect((texts.first.length === 0) === ['equal', 'inside'].includes(relation)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it.each([
    ['[0-9]{4}', '\\d{4}', 'equal'],
    ['[0-9]{4}', '[0-9]{2,4}', 'inside'],
    ['[A-Za-z]+', '[a-z]+', 'around'],
    ['[ab]+', '[bc]+', 'overlapping'],
    ['a', 'b', 'apart'],
    ['[A-z]', '[A-Za-z]', 'around'],
  ])('%s to %s: %s', (a, b, relation) => {
    expect(comparedRules(table(a), table(b)).relation).toBe(relation);
  });

  it('count code units and code points', () => {
    const is = (text: string, unit: 'code units' | 'code points') =>
      acceptsText(lengthTable(2, 3, unit), text);
    expect(['a', 'ab', 'abc', 'abcd', '😀', '😀a', '😀😀'].map((text) => is(text, 'code units'))).toEqual([
      false,
      true,
      true,
      false,
      true,
      true,
      false,
    ]);
    expect(['a', '😀', '😀😀', '😀😀😀😀'].map((text) => is(text, 'code points'))).toEqual([
      false,
      false,
      true,
      false,
    ]);
    expect(acceptsText(lengthTable(2, null, 'code units'), 'a'.repeat(50))).toBe(true);
  });
});

describe('texts of a table', () => {
  it('are its texts, each once, the shortest of all first', () => {
    fc.assert(
      fc.property(anyPattern, fc.nat({ max: 8 }), (source, most) => {
        const found = patternTable({ source, match: 'whole' }, new Budget(400_000));
        if (found.status !== 'known') return;
        const texts = typicalTexts(found.table, most + 1);
        expect(texts.every((text) => acceptsText(found.table, text))).toBe(true);
        expect(new Set(texts).size).toBe(texts.length);
        expect(texts.every((text) => text.length >= (texts[0]?.length ?? 0))).toBe(true);
        expect(shortestText(found.table)?.length ?? null).toBe(texts[0]?.length ?? null);
        expect(texts).toEqual(typicalTexts(found.table, most + 1));
      }),
      { numRuns: 200 },
    );
  });
});

describe('a table as a pattern', () => {
  it('is read back as the same table', () => {
    fc.assert(
      fc.property(anyPattern, (source) => {
        const found = patternTable({ source, match: 'whole' }, new Budget(400_000));
        if (found.status !== 'known') return;
        const written = patternOf(found.table);
        if (written === null) return;
        expect(written.length).toBeLessThanOrEqual(2000);
        expect(table(written)).toEqual(found.table);
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    ['[A-Z]{2}[0-9]', '[A-Z][A-Z]\\d'],
    ['ab|ac|ad', 'a[b-d]'],
    ['(?=.*\\d).*', '[^\\u{a}\\u{d}0-9\\u{2028}\\u{2029}]*\\d.*'],
    ['[\\q{ab|a}]', 'ab?'],
    ['a|[^a]', '[^]'],
  ])('%s is %s', (source, written) => {
    expect(patternOf(table(source))).toBe(written);
  });

  it('is left alone where there is nothing to write, or too much', () => {
    expect(patternOf(table('[]'))).toBeNull();
    expect(patternOf(table('\\p{L}'))).toBeNull();
  });
});

describe('a rule while one types', () => {
  it('made from the rule in the end lets exactly the beginnings stand', () => {
    fc.assert(
      fc.property(plainPattern, (source) => {
        const submit = table(source);
        const written = lenientPattern(source, submit);
        if (written === null) return;
        const live = table(written);
        expect(liveCheck(live, submit)).toEqual({ blocked: null, idle: null });
        for (const text of short) {
          const begins = short.some((more) => acceptsText(submit, text + more));
          if (begins) expect([text, acceptsText(live, text)]).toEqual([text, true]);
        }
      }),
      { numRuns: 200 },
    );
  });

  it.each([
    ['[A-Z]{2}[0-9]-[0-9]{4}', '[A-Z]{0,2}|[A-Z]{2}(?:[0-9](?:-[0-9]{0,4})?)?'],
    ['\\p{L}+(?: \\p{L}+)*', '\\p{L}*|\\p{L}+(?: \\p{L}+)*(?: \\p{L}*)?'],
    ['[0-9]{4}', '[0-9]{0,4}'],
    ['a|bc', 'a?|(?:bc?)?'],
    ['(?=.*[A-Z])(?=.*\\d).{8,}', '.*'],
  ])('for %s is %s', (source, written) => {
    expect(lenientPattern(source, table(source))).toBe(written);
  });

  it.each([
    [
      '[A-Z]{0,2}\\d*',
      '[A-Z]{2}[0-9]-[0-9]{4}',
      { blocked: { beginning: 'AA1-', value: 'AA1-1111' }, idle: '1' },
    ],
    ['[A-Z0-9\\-]*', '[A-Z]{2}[0-9]-[0-9]{4}', { blocked: null, idle: '1' }],
    ['[0-9]{4}', '[0-9]{4}', { blocked: { beginning: '', value: '1111' }, idle: null }],
    ['[0-9]*', '[0-9]+', { blocked: null, idle: null }],
    // The shortest value that is blocked, though another one is blocked earlier.
    ['b?|bd', 'a{6}|bc', { blocked: { beginning: 'bc', value: 'bc' }, idle: 'bd' }],
    // What may stand is of no use where it cannot be reached.
    ['|abc', 'abc', { blocked: { beginning: 'a', value: 'abc' }, idle: null }],
  ])('%s for %s', (live, submit, check) => {
    expect(liveCheck(table(live), table(submit))).toEqual(check);
  });
});
