import { describe, expect, it } from 'vitest';
import { judged } from '../guard/verdict';
import { targetId } from '../target/target';
import { changedSides, surprises } from './sample-surprises';

const said = (...byTarget: (typeof judged)[number][][]) => ({
  targets: byTarget.map((_, index) => targetId(`target-${index}`)),
  verdicts: byTarget.map((all) => Uint8Array.from(all, (one) => judged.indexOf(one))),
  changed: [],
});

describe('samples that come out otherwise', () => {
  it('than expected are those of which one target says so', () => {
    const expected = Uint8Array.from([0, 2, 0, 1]);
    const verdicts = said(
      ['accepted', 'refused', 'refused', 'not worked out'],
      ['accepted', 'unfinished', 'refused', 'unfinished'],
    );
    expect([...surprises(verdicts, expected)]).toEqual([1, 2]);
    expect([...surprises(said(), expected)]).toEqual([]);
  });
  it('than before are those of which one target says something else', () => {
    const before = said(['accepted', 'refused', 'refused'], ['accepted', 'refused', 'refused']);
    const now = said(['accepted', 'accepted', 'refused'], ['accepted', 'refused', 'not worked out']);
    expect([...changedSides(now, before)]).toEqual([1, 2]);
    expect([...changedSides(now, now)]).toEqual([]);
    // A target that was not asked before said nothing.
    expect([...changedSides(now, said(['accepted', 'accepted', 'refused']))]).toEqual([0, 1, 2]);
  });
});
