import type { FieldKind } from '../html/field';
import agreement from './agreement.json';
import type { Habits } from './deviations/habits';

interface Count {
  readonly agreed: number;
  readonly asked: number;
}

interface EngineAgreement {
  readonly version: string;
  readonly validity: Readonly<Record<string, Count>>;
  readonly validityInAll: Count;
  readonly submission: Count;
  readonly typing: Count;
}

const agreements: Readonly<Record<string, EngineAgreement>> = agreement;
const titles = { chromium: 'Chromium', firefox: 'Firefox', webkit: 'WebKit' } as const;

/**
 * How far to trust the model about a target, as `npm run calibrate` measured it: one sentence.
 * @param about a kind of field, what is sent, or what keys do
 */
export function trustText(
  { deviations }: Pick<Habits, 'deviations'>,
  about: FieldKind | 'submission' | 'typing',
): string {
  const known = agreements[deviations];
  if (!known) return 'How far the model agrees with an engine was not measured.';
  const engine = `${titles[deviations]} ${known.version}`;
  if (about === 'submission')
    return `Of ${number(known.submission.asked)} forms, the model sends ${percent(known.submission)} byte for byte as ${engine} does.`;
  if (about === 'typing')
    return `Of ${number(known.typing.asked)} scripts of keys, the model agrees with ${engine} on ${percent(known.typing)}: the value and every event in order.`;
  const ofKind = known.validity[about];
  const count = ofKind ?? known.validityInAll;
  return `Of ${number(count.asked)} questions about the validity of ${ofKind ? `${about} fields` : 'fields'}, the model answers ${percent(count)} as ${engine} does.`;
}

function number(n: number): string {
  return n.toLocaleString('en-GB');
}

/** Rounded down, so that 100 % means all. */
function percent({ agreed, asked }: Count): string {
  return `${(Math.floor((agreed / asked) * 10_000) / 100).toFixed(2)} %`;
}
