import { isDated } from '../html/field';
import type { ConstrainedField } from '../standard/constraint-validation';
import { Decimal } from '../standard/decimal';
import type { Deviations } from '../standard/deviations';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { countedIn, type Range, rangeOf } from '../standard/ranges-and-steps';
import type { ValidityFlag } from '../standard/validity-flags';
import type { Slot } from './deviations/slot-text';

/** What an engine has words for: which thing is wrong, with what makes the words differ, and what stands in their gaps. */
export interface Situation {
  /** `rangeUnderflow date`, `typeMismatch email nothing after`. */
  readonly id: string;
  readonly slots: Readonly<Record<string, Slot>>;
}

/**
 * The situation of a field of which several things may be wrong.
 * @param flag the one that the message is about
 * @param title the author's own words beside the field, as in the attribute; null when there are none
 */
export function situationOf(
  field: ConstrainedField,
  flags: readonly ValidityFlag[],
  flag: ValidityFlag,
  title: string | null,
  deviations: Deviations,
): Situation {
  const { kind, currentValue } = field;
  switch (flag) {
    case 'valueMissing':
      return { id: `valueMissing ${missingWhat(field)}`, slots: {} };
    case 'typeMismatch':
      return kind === 'email' ? emailSituation(field, deviations) : { id: `typeMismatch ${kind}`, slots: {} };
    case 'patternMismatch':
      return title === null
        ? { id: 'patternMismatch', slots: {} }
        : { id: 'patternMismatch with title', slots: { title: { is: 'text', text: title } } };
    case 'tooLong':
    case 'tooShort': {
      const limit = parseNonNegativeInteger(flag === 'tooLong' ? field.maxlength : field.minlength) ?? 0;
      return {
        id: flag,
        slots: {
          limit: { is: 'count', count: limit },
          length: { is: 'count', count: currentValue.length },
        },
      };
    }
    case 'badInput':
      return { id: `badInput ${kind}`, slots: {} };
    case 'rangeUnderflow':
    case 'rangeOverflow':
      return rangeSituation(field, flags, flag, deviations);
    case 'stepMismatch':
      return stepSituation(field, deviations);
    case 'customError':
      return { id: 'customError', slots: { words: { is: 'text', text: field.customMessage } } };
  }
}

function missingWhat({ kind, multiple }: ConstrainedField): string {
  if (kind === 'file') return multiple ? 'files' : 'file';
  return kind === 'checkbox' || kind === 'radio' || kind === 'select' || kind === 'number' ? kind : 'text';
}

/** Blink looks for the first thing that is wrong with an address; for the others every reason has the same words. */
function emailSituation({ currentValue, multiple }: ConstrainedField, deviations: Deviations): Situation {
  const addresses = multiple ? currentValue.split(',') : [currentValue];
  const address = addresses.find((one) => !deviations.isEmailAddress(one)) ?? '';
  const of = (what: string, slots: Record<string, string> = {}): Situation => ({
    id: `typeMismatch email ${what}`,
    slots: Object.fromEntries(Object.entries(slots).map(([name, text]) => [name, { is: 'text', text }])),
  });
  if (multiple && address === '') return of('none of several');
  const at = address.indexOf('@');
  if (at < 0) return of('without @', { address });
  const [local, host] = [address.slice(0, at), address.slice(at + 1)];
  if (local === '') return of('nothing before', { address });
  if (host === '') return of('nothing after', { address });
  const before = [...local].find((c) => !/[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]/.test(c));
  if (before) return of('symbol before', { symbol: before });
  const after = [...host].find((c) => !/[a-zA-Z0-9.-]/.test(c));
  if (after) return of('symbol after', { symbol: after });
  if (/^\.|\.\.|\.$/.test(host)) return of('dot', { host });
  return of(multiple ? 'otherwise of several' : 'otherwise');
}

function rangeSituation(
  field: ConstrainedField,
  flags: readonly ValidityFlag[],
  flag: 'rangeUnderflow' | 'rangeOverflow',
  deviations: Deviations,
): Situation {
  const { kind } = field;
  const range = rangeOf(kind, field, deviations);
  const { min, max } = range?.exact ?? {};
  if (!range || (!min && !max)) return { id: `${flag} ${kind}`, slots: {} };
  const slots: Record<string, Slot> = {};
  if (min) slots.min = slotOf(field, range, min);
  if (max) slots.max = slotOf(field, range, max);
  const order = min && max ? min.compare(max) : -1;
  // Of times, a range may go past midnight; what is wrong with a time outside of it is both.
  const isReversed =
    kind === 'time' ? flags.includes('rangeUnderflow') && flags.includes('rangeOverflow') : true;
  const where = order === 0 ? ' alone' : order > 0 && isReversed ? ' reversed' : '';
  // Where there is no other limit, midnight is one for some engines.
  const first = kind === 'time' && !min && max?.isZero() ? ' at midnight' : '';
  return { id: `${flag} ${kind}${where}${first}`, slots };
}

/** ms. */
const day = 86_400_000;

function stepSituation(field: ConstrainedField, deviations: Deviations): Situation {
  const range = rangeOf(field.kind, field, deviations);
  const value = range && countedIn(range.counting, field.currentValue, 'value', deviations);
  const { step, stepBase, min, max } = range?.exact ?? {};
  if (!range || !value || !step || !stepBase) return { id: `stepMismatch ${field.kind}`, slots: {} };
  const below = stepBase.plus(value.minus(stepBase).over(step).floored().times(step));
  const above = below.plus(step);
  const slots: Record<string, Slot> = { first: slotOf(field, range, below) };
  const hasTwo = !max || above.compare(max) <= 0;
  if (hasTwo) slots.second = slotOf(field, range, above);
  // Whether the next day has the next time is for the engine to say.
  const isTomorrow = hasTwo && field.kind === 'time' && above.compare(Decimal.of(day)) >= 0;
  const id = `stepMismatch ${field.kind} of ${hasTwo ? 2 : 1}${isTomorrow ? ', past midnight' : ''}`;
  if (!min || !max || min.compare(max) <= 0) return { id, slots };
  // Some engines then speak of the limit that such a time has passed, though it may.
  slots.min = slotOf(field, range, min);
  slots.max = slotOf(field, range, max);
  return { id: `${id}, ${value.compare(min) < 0 ? 'before min' : 'after max'}`, slots };
}

function slotOf({ kind }: ConstrainedField, { counting, exact }: Range, number: Decimal): Slot {
  if (!isDated(kind)) return { is: 'number', number };
  const minute = Decimal.of(60_000);
  const isWhole = (one: Decimal | null) => one === null || one.modulo(minute).isZero();
  const inSeconds = { step: !isWhole(exact.step), base: !isWhole(exact.stepBase) };
  return { is: 'moment', kind, counting, at: number.toNumber(), inSeconds };
}
