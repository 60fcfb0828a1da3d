import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matchesByDefinition } from '../../../tests/fixtures/pattern-by-definition';
import { anyPattern, anyText } from '../../../tests/fixtures/patterns';
import { Budget } from '../regexp/budget';
import { patternTable } from './pattern-table';
import { acceptsText } from './table';

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
});
