import { describe, expect, it } from 'vitest';
import { hurriedForm } from '@/core/demo/demo-forms';
import { harms } from '@/core/finding/finding';
import type { Report } from '@/core/report/report';
import { reportOf, runOf } from '../../tests/fixtures/reports';
import { failing, readFailOn } from './fail-on';

const report = reportOf(runOf(hurriedForm));
const failed = (text: string, of: Report = report) => {
  const failOn = readFailOn(text);
  if (!failOn) throw new Error(text);
  return [...failing(of, failOn)];
};

describe('what fails a build', () => {
  it.each([
    ['new', harms],
    ['any:worst', ['cannot enter a valid value']],
    ['changed:lost,wrong,misled,cosmetic', ['value lost', 'wrong value sent', 'person misled', 'cosmetic']],
  ])('%s means findings of %j', (text, expected) => {
    expect(readFailOn(text)?.harms).toEqual(expected);
  });

  it.each(['', 'newest', 'new:', 'new:bad', 'new:worst,', 'new:worst:lost', ':worst', 'new:toString'])(
    '“%s” is no such thing',
    (text) => {
      expect(readFailOn(text)).toBeNull();
    },
  );

  it('is what is found, by its harm, and not what a team accepted', () => {
    const accepted = report.findings.filter(({ id }) => report.decisions.get(id)?.kind === 'accept');
    expect(accepted).toHaveLength(1);
    expect(failed('any')).toEqual(report.findings.filter((one) => !accepted.includes(one)));
    expect(failed('new:misled').every(({ harm }) => harm === 'person misled')).toBe(true);
    expect(failed('new:misled').length).toBeGreaterThan(0);
    expect(failed('never')).toEqual([]);
    const decided = new Map(
      [...report.decisions].map(([id, one]) => [id, { ...one, kind: 'mend' as const }]),
    );
    expect(failed('any', { ...report, decisions: decided })).toHaveLength(report.findings.length);
  });

  it('is nothing that goes now so and now otherwise', () => {
    const [first] = report.findings;
    if (!first) throw new Error('nothing found');
    const unsteady = {
      ...first,
      id: 'u' as typeof first.id,
      claim: { code: 'typed', effect: 'unsteady' },
    } as const;
    const slow = { ...unsteady, claim: { code: 'typed', effect: 'slow' } } as const;
    expect(failed('any', { ...report, findings: [unsteady] })).toEqual([]);
    expect(failed('any', { ...report, findings: [slow] })).toEqual([slow]);
  });
});
