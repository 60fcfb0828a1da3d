import { describe, expect, it } from 'vitest';
import { decided } from './decided';
import type { Decision, DecisionKind, FindingId } from './finding';

const id = (text: string) => text as FindingId;
const decision = (finding: string, kind: DecisionKind): Decision => ({
  finding: id(finding),
  kind,
  reason: `why ${finding}`,
  at: '2026-12-01T00:00:00Z',
});
const together = { id: id('both'), standsFor: [id('a'), id('b')] };
const kindOf = (...decisions: Decision[]) =>
  decided([together, { id: id('c') }], decisions).get(id('both'))?.kind;

describe('decisions on findings', () => {
  it('are those on what is told together now, where each alone was decided alike', () => {
    expect(kindOf(decision('a', 'accept'), decision('b', 'accept'))).toBe('accept');
    expect(decided([together], [decision('a', 'later'), decision('b', 'later')]).get(id('both'))).toEqual({
      ...decision('a', 'later'),
      finding: 'both',
    });
  });

  it('are none on it where one alone was not, or otherwise', () => {
    expect(kindOf(decision('a', 'accept'))).toBeUndefined();
    expect(kindOf(decision('b', 'accept'))).toBeUndefined();
    expect(kindOf(decision('a', 'accept'), decision('b', 'mend'))).toBeUndefined();
    expect(kindOf()).toBeUndefined();
  });

  it('are its own before all others', () => {
    expect(kindOf(decision('a', 'accept'), decision('b', 'accept'), decision('both', 'mend'))).toBe('mend');
  });
});
