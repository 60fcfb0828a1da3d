import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Finding, FindingId } from '../finding/finding';
import { goneAndFresh, pairsOf } from './pairs';

const finding = (id: string, says: string) =>
  ({ id: id as FindingId, field: null, claim: { code: says } }) as unknown as Finding;
const few = fc.uniqueArray(
  fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), says: fc.constantFrom('x', 'y', 'z') }),
  { selector: ({ id }) => id, maxLength: 4 },
);

describe('findings of two sweeps', () => {
  it('are the same by their id, and by what they say where a field was renamed', () => {
    const [kept, renamed, gone] = [finding('1', 'x'), finding('2', 'y'), finding('3', 'z')];
    const [keptNow, renamedNow, fresh] = [finding('1', 'other words'), finding('4', 'y'), finding('5', 'w')];
    const pairs = pairsOf([kept, renamed, gone], [keptNow, renamedNow, fresh]);
    expect([...pairs]).toEqual([
      [keptNow, kept],
      [renamedNow, renamed],
    ]);
    expect(goneAndFresh([kept, renamed, gone], [keptNow, renamedNow, fresh])).toEqual({
      gone: [gone],
      fresh: [fresh],
    });
  });

  it('are paired one to one; the others are gone or fresh', () => {
    fc.assert(
      fc.property(few, few, (was, is) => {
        const before = was.map(({ id, says }) => finding(id, says));
        const after = is.map(({ id, says }) => finding(id, says));
        const pairs = pairsOf(before, after);
        const { gone, fresh } = goneAndFresh(before, after);
        expect(new Set(pairs.values()).size).toBe(pairs.size);
        expect(gone.length + pairs.size).toBe(before.length);
        expect(fresh.length + pairs.size).toBe(after.length);
        for (const [now, earlier] of pairs)
          expect(now.id === earlier.id || now.claim.code === earlier.claim.code).toBe(true);
        // Nothing that is left on both sides is the same.
        for (const one of gone) expect(fresh.some(({ id }) => id === one.id)).toBe(false);
      }),
    );
  });
});
