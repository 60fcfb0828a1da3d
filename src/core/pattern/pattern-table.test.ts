import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matchesByDefinition } from '../../../tests/fixtures/pattern-by-definition';
import { anyPattern, anyText } from '../../../tests/fixtures/patterns';
import { Budget } from '../regexp/budget';
import { patternTable } from './pattern-table';
import { acceptsText, stateCount } from './table';

/**
 * Whether the engine finds the pattern. In a part: tried at each code point by itself, as the standard says (RegExpBuiltinExec);
 * this engine also tries between the halves of a pair.
 */
function matches(source: string, match: 'whole' | 'part', text: string): boolean {
  if (match === 'whole') return new RegExp(`^(?:${source})$`, 'v').test(text);
  const sticky = new RegExp(source, 'vy');
  let at = 0;
  const starts = [0, ...Array.from(text, (one) => (at += one.length))];
  return starts.some((at) => {
    sticky.lastIndex = at;
    return sticky.test(text);
  });
}

describe('the table of a pattern', () => {
  it('agrees with the engine on 100,000 random pairs of pattern and text', () => {
    let [pairs, unknown] = [0, 0];
    const faults: [string, string][] = [];
    fc.assert(
      fc.property(
        anyPattern,
        fc.array(anyText, { minLength: 100, maxLength: 100 }),
        fc.constantFrom('whole' as const, 'part' as const),
        (source, texts, match) => {
          const found = patternTable({ source, match }, new Budget(400_000));
          if (found.status !== 'known') {
            unknown++;
            return;
          }
          for (const one of texts) {
            pairs++;
            const accepted = acceptsText(found.table, one);
            if (accepted === matches(source, match, one)) continue;
            // Node 20 reads some loops over negated sets wrongly under the v flag: /^(?:a[^a]){0,2}$/v takes “aa”.
            faults.push([source, one]);
            expect([one, accepted]).toEqual([one, matchesByDefinition(source, match, one)]);
          }
        },
      ),
      { numRuns: 1300 },
    );
    expect(faults.length / pairs).toBeLessThan(0.005);
    expect(pairs).toBeGreaterThan(100_000);
    expect(unknown).toBeLessThan(250);
  }, 240_000);

  it.each([
    ['[A-Z]{2}[0-9]-[0-9]{4}', 9],
    ['(?=.*[A-Z])(?=.*\\d).{8,}', 28],
    ['(?!.*--)[a-z\\-]+', 3],
    ['\\bfoo\\b.*', 5],
    ['.{8,1000}', 1001],
    ['(a*)*b', 2],
    ['[]', 0],
    ['', 1],
  ])('of %s has %i states', (source, states) => {
    const found = patternTable({ source, match: 'whole' });
    expect(found.status === 'known' && stateCount(found.table)).toBe(states);
  });

  it.each([
    ['(a+)\\1', 'unknown', 'refers back'],
    ['(?<=a(?=b))b', 'unknown', 'looks ahead while looking back'],
    ['(?:(?:a{0,99}){0,99}){0,99}', 'unknown', /^too (?:large|many states)$/],
    ['a{2', 'fault', /./],
    ['[a-]', 'fault', /./],
    [')(', 'fault', /./],
  ])('of %s is %s, because %s', (source, status, reason) => {
    const found = patternTable({ source, match: 'whole' });
    expect(found.status).toBe(status);
    if (found.status !== 'known') expect('why' in found ? found.why : found.reason).toMatch(reason);
  });

  it('is given up after so many steps, whatever is asked', () => {
    const found = patternTable(
      { source: '(?=(?:.*[a-f]){9})(?=(?:.*[b-g]){9})(?=(?:.*[c-h]){9}).*', match: 'whole' },
      new Budget(1_000_000),
    );
    expect(found).toMatchObject({ status: 'unknown', why: expect.stringMatching(/too/) });
  });

  it('in a part is that of a whole with anything around it', () => {
    const [part, whole] = [
      patternTable({ source: 'ab', match: 'part' }),
      patternTable({ source: '[^]*ab[^]*', match: 'whole' }),
    ];
    expect(part).toEqual(whole);
  });
});
