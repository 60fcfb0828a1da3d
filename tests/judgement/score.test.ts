import { describe, expect, it } from 'vitest';
import { good } from './case';
import { judgementOf, ratiosOf, sumOf } from './score';

const judged = {
  ...good('x', 'en', ''),
  must: [
    ['value lost', 'A', 'no name'],
    ['cosmetic', null, 'other'],
  ],
  arguable: ['perhaps'],
} as const;

describe('a judgement', () => {
  it('counts by harm what was rightly said, wrongly said and missed; what is arguable counts neither way', () => {
    const { wrong, missed, byHarm } = judgementOf(judged, [
      ['value lost', 'A', 'no name'],
      ['value lost', 'B', 'no name'],
      ['person misled', 'A', 'perhaps'],
    ]);
    expect(wrong).toEqual([['value lost', 'B', 'no name']]);
    expect(missed).toEqual([['cosmetic', null, 'other']]);
    expect(byHarm.get('value lost')).toEqual({ right: 1, wrong: 1, missed: 0 });
    expect(byHarm.get('cosmetic')).toEqual({ right: 0, wrong: 0, missed: 1 });
    expect(byHarm.get('person misled')).toEqual({ right: 0, wrong: 0, missed: 0 });
  });

  it('comes to precision and recall, where there is something to be counted', () => {
    const sum = sumOf([
      { right: 2, wrong: 1, missed: 0 },
      { right: 1, wrong: 0, missed: 3 },
    ]);
    expect(ratiosOf(sum)).toEqual({ precision: 0.75, recall: 0.5 });
    expect(ratiosOf({ right: 0, wrong: 0, missed: 0 })).toEqual({ precision: null, recall: null });
  });
});
