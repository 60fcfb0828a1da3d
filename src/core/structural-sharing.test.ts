import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keptParts } from './structural-sharing';

const data = fc.jsonValue({ maxDepth: 4 });

describe('kept parts', () => {
  it('are equal to what is now, whatever was before', () => {
    fc.assert(
      fc.property(data, data, (before, now) => {
        expect(keptParts(before, now)).toEqual(now);
      }),
    );
  });
  it('are the very same where nothing changed', () => {
    fc.assert(
      fc.property(data, (one) => {
        expect(keptParts(one, structuredClone(one))).toBe(one);
      }),
    );
  });
  it('are the same part by part where something changed', () => {
    const before = { steps: [{ text: 'a' }, { text: 'ab' }], verdicts: { sent: 'ab' } };
    const now = { steps: [{ text: 'a' }, { text: 'ax' }, { text: 'axb' }], verdicts: { sent: 'ab' } };
    const kept = keptParts(before, now);
    expect(kept).toEqual(now);
    expect(kept.steps[0]).toBe(before.steps[0]);
    expect(kept.verdicts).toBe(before.verdicts);
    expect(kept.steps[1]).not.toBe(before.steps[1]);
  });
});
