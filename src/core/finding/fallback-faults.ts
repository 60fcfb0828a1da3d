import type { Field, FieldKind } from '../html/field';
import type { PlanOutcome } from '../questions/fallback/facts';
import { sanitizeValue } from '../standard/value-sanitization';

/** What is wrong with a plan in one target. */
export type FallbackFault =
  /** It replaces a picker that the target has. */
  | { readonly code: 'over native' }
  /** Of several controls each sends an entry of its own. */
  | { readonly code: 'other entries'; readonly name: string; readonly entries: number }
  | { readonly code: 'other format'; readonly kind: FieldKind };

/** A format is the server's old one when the kind itself could have sent it. */
export function fallbackFaults(field: Field, { plan, native, loaded, sent }: PlanOutcome): FallbackFault[] {
  const faults: FallbackFault[] = [];
  if (native && loaded) faults.push({ code: 'over native' });
  if (sendsAsBefore(field, sent)) return faults;
  return [
    ...faults,
    plan === 'selects'
      ? { code: 'other entries', name: field.name, entries: sent.length }
      : { code: 'other format', kind: field.kind },
  ];
}

function sendsAsBefore(field: Field, sent: readonly string[]): boolean {
  const [only] = sent;
  const prefix = `${field.name}=`;
  if (sent.length !== 1 || !only?.startsWith(prefix)) return false;
  const value = only.slice(prefix.length);
  const flags = { multiple: false, min: null, max: null, step: null, value: null };
  return value !== '' && sanitizeValue(field.kind, value, flags) === value;
}
