import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import type { PlanOutcome } from '../questions/fallback/facts';
import { fallbackFaults } from './fallback-faults';

const [field] = readForm('<label>Reading date <input type=date name=date></label>').fields;
const outcome = (change: Partial<PlanOutcome>): PlanOutcome => ({
  plan: 'leave it',
  native: false,
  loaded: false,
  typed: [],
  sent: ['date=2026-03-14'],
  picture: null,
  ...change,
});

describe('faults of a fallback plan', () => {
  const faults = (change: Partial<PlanOutcome>) => (field ? fallbackFaults(field, outcome(change)) : null);
  const otherFormat = { code: 'other format', kind: 'date' };

  it('are none when the server gets what the kind would have sent', () => {
    for (const change of [{}, { native: true }, { loaded: true }]) expect(faults(change)).toEqual([]);
    expect(faults({ plan: 'selects' })).toEqual([]);
  });
  it('call out a plan over a picker of the target’s own, and what is wrong besides', () => {
    expect(faults({ native: true, loaded: true })).toEqual([{ code: 'over native' }]);
    expect(faults({ native: true, loaded: true, sent: ['date='] })).toEqual([
      { code: 'over native' },
      otherFormat,
    ]);
  });
  it.each([
    [['date=14.3.2026']],
    [['date=2026-02-30']],
    [['date=']],
    [[]],
    [['day=2026-03-14']],
    [['xdate=2026-03-14']],
    [['date=2026-03-14', 'more=1']],
  ])('call out what the server did not get before: %j', (sent) => {
    expect(faults({ sent })).toEqual([otherFormat]);
  });
  it('call out several entries where there was one', () => {
    expect(faults({ plan: 'selects', sent: ['date-day=14', 'date-month=03'] })).toEqual([
      { code: 'other entries', name: 'date', entries: 2 },
    ]);
  });
});
