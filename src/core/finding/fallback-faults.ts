import type { Field } from '../html/field';
import type { PlanOutcome } from '../questions/fallback/facts';
import { sanitizeValue } from '../standard/value-sanitization';

export interface FallbackFault {
  readonly what: 'over native' | 'other format';
  readonly text: string;
}

/** What is wrong with a plan in one target. A format is the server's old one when the kind itself could have sent it. */
export function fallbackFaults(field: Field, { plan, native, loaded, sent }: PlanOutcome): FallbackFault[] {
  const faults: FallbackFault[] = [];
  if (native && loaded)
    faults.push({
      what: 'over native',
      text: 'It stands in place of a picker of the target’s own, which knows this kind.',
    });
  if (!sendsAsBefore(field, sent))
    faults.push({
      what: 'other format',
      text:
        plan === 'selects'
          ? `The server gets ${sent.length} entries of other names, not one called ${field.name}.`
          : `The server gets a format that the kind ${field.kind} never sends.`,
    });
  return faults;
}

function sendsAsBefore(field: Field, sent: readonly string[]): boolean {
  const [only] = sent;
  const prefix = `${field.name}=`;
  if (sent.length !== 1 || !only?.startsWith(prefix)) return false;
  const value = only.slice(prefix.length);
  const flags = { multiple: false, min: null, max: null, step: null, value: null };
  return value !== '' && sanitizeValue(field.kind, value, flags) === value;
}
