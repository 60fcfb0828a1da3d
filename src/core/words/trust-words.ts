import type { FieldKind } from '../html/field';
import { type AgreedCount, agreements } from '../model/agreement';
import type { Habits } from '../model/deviations/habits';

const titles = { chromium: 'Chromium', firefox: 'Firefox', webkit: 'WebKit' } as const;

/**
 * How far to trust the model about a target, as it was measured: one sentence.
 * @param about a kind of field, what is sent, or what keys do
 */
export function trustText(
  { deviations }: Pick<Habits, 'deviations'>,
  about: FieldKind | 'submission' | 'typing',
): string {
  const known = agreements[deviations];
  const agrees = (count: AgreedCount, asked: string) =>
    `The model agrees with ${titles[deviations]} ${known.version} on ${percent(count)} of ${count.asked.toLocaleString('en-GB')} ${asked}.`;
  if (about === 'submission') return agrees(known.submission, 'submitted forms, byte for byte');
  if (about === 'typing') return agrees(known.typing, 'scripts of keys: the value and every event in order');
  const ofKind = known.validity[about];
  return ofKind
    ? agrees(ofKind, `questions about the validity of ${about} fields`)
    : agrees(known.validityInAll, 'questions about the validity of fields');
}

/** Rounded down, so that 100 % means all. */
function percent({ agreed, asked }: AgreedCount): string {
  return `${(Math.floor((agreed / asked) * 10_000) / 100).toFixed(2)} %`;
}
