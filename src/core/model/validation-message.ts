import type { Field } from '../form/field';
import { type ConstrainedField, parseNonNegativeInteger } from '../standard/constraint-validation';
import { countedIn, type Range, rangeOf } from '../standard/ranges-and-steps';
import { type ValidityFlag, validityFlags } from '../standard/validity-flags';
import type { Habits } from '../target/habits';

/**
 * The words in which a target says what is wrong, as `validationMessage` gives them. Blink's words in en-US were
 * measured (Chromium 156); where a wording was not, the answer is null, never a guess.
 */
export function validationMessage(
  field: Field,
  state: ConstrainedField,
  flags: readonly ValidityFlag[],
  habits: Habits,
): string | null {
  if (flags.length === 0) return '';
  if (habits.words === null) return null;
  if (flags.includes('customError')) return state.customMessage;
  // Of several things that are wrong, Blink names the first in the standard's order.
  const first = validityFlags.find((flag) => flags.includes(flag));
  return first ? words(field, state, first) : null;
}

function words(field: Field, state: ConstrainedField, flag: ValidityFlag): string | null {
  switch (flag) {
    case 'valueMissing':
      return missingWords(field);
    case 'typeMismatch':
      return state.kind === 'url' ? 'Please enter a URL.' : emailWords(state.currentValue, state.multiple);
    case 'patternMismatch':
      return 'Please match the requested format.';
    case 'tooLong':
      return lengthWords('shorten', 'less', state.maxlength, state.currentValue.length);
    case 'tooShort':
      return lengthWords('lengthen', 'more', state.minlength, state.currentValue.length);
    case 'badInput':
      return field.kind === 'number' ? 'Please enter a number.' : null;
    case 'rangeUnderflow':
    case 'rangeOverflow':
      return rangeWords(state, flag);
    case 'stepMismatch':
      return stepWords(state);
    case 'customError':
      return state.customMessage;
  }
}

function missingWords(field: Field): string {
  switch (field.kind) {
    case 'checkbox':
      return 'Please check this box if you want to proceed.';
    case 'radio':
      return 'Please select one of these options.';
    case 'select':
      return 'Please select an item in the list.';
    case 'file':
      return 'Please select a file.';
    default:
      return 'Please fill out this field.';
  }
}

function lengthWords(verb: string, than: string, limit: string | null, length: number): string {
  return `Please ${verb} this text to ${parseNonNegativeInteger(limit)} characters or ${than} (you are currently using ${length} characters).`;
}

function emailWords(value: string, multiple: boolean): string | null {
  const address = multiple ? (value.split(',').at(-1) ?? '') : value;
  const at = address.indexOf('@');
  if (at === -1) return `Please include an '@' in the email address. '${address}' is missing an '@'.`;
  const [local, domain] = [address.slice(0, at), address.slice(at + 1)];
  if (local === '') return `Please enter a part followed by '@'. '${address}' is incomplete.`;
  if (domain === '') return `Please enter a part following '@'. '${address}' is incomplete.`;
  const badLocal = [...local].find((c) => !/[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]/.test(c));
  if (badLocal) return `A part followed by '@' should not contain the symbol '${badLocal}'.`;
  const badDomain = [...domain].find((c) => !/[a-zA-Z0-9.-]/.test(c));
  return badDomain ? `A part following '@' should not contain the symbol '${badDomain}'.` : null;
}

function rangeWords(state: ConstrainedField, flag: 'rangeUnderflow' | 'rangeOverflow'): string | null {
  const range = rangeOf(state.kind, state);
  const limit = flag === 'rangeUnderflow' ? range?.min : range?.max;
  if (!range || limit === null || limit === undefined) return null;
  const reversed = range.min !== null && range.max !== null && range.min > range.max;
  if (reversed) return null;
  if (range.min === range.max) return `Value must be ${valueWords(range, limit, state)}.`;
  const text = valueWords(range, limit, state);
  if (state.kind === 'number' || state.kind === 'range')
    return `Value must be ${flag === 'rangeUnderflow' ? 'greater' : 'less'} than or equal to ${text}.`;
  return `Value must be ${text} or ${flag === 'rangeUnderflow' ? 'later' : 'earlier'}.`;
}

function stepWords(state: ConstrainedField): string | null {
  const range = rangeOf(state.kind, state);
  const value = range ? (countedIn(range.counting, state.currentValue, 'value')?.toNumber() ?? null) : null;
  if (!range || range.step === null || value === null) return null;
  const steps = Math.floor((value - range.stepBase) / range.step);
  const allowed = [steps, steps + 1]
    .map((n) => tidyDecimal(range.stepBase + n * (range.step ?? 1)))
    .filter((n) => (range.min === null || n >= range.min) && (range.max === null || n <= range.max));
  const [below, above] = allowed.map((n) => valueWords(range, n, state));
  if (below === undefined) return null;
  return above === undefined
    ? `Please enter a valid value. The nearest valid value is ${below}.`
    : `Please enter a valid value. The two nearest valid values are ${below} and ${above}.`;
}

/** Decimal fractions added as doubles leave a tail far behind any step that a person writes. */
function tidyDecimal(n: number): number {
  return Number(n.toPrecision(14));
}

const utc = 'UTC';

function valueWords(range: Range, n: number, { kind }: ConstrainedField): string {
  switch (kind) {
    case 'date':
      return dateWords(n);
    case 'datetime-local':
      return `${dateWords(n)}, ${timeWords(n)}`;
    case 'time':
      return timeWords(n);
    case 'month':
      return new Date(Date.UTC(1970, n, 1)).toLocaleDateString('en-US', {
        month: 'long',
        year: 'numeric',
        timeZone: utc,
      });
    case 'week':
      return range.counting.toText(n).replace(/^(\d+)-W(\d+)$/, 'Week $2, $1');
    default:
      return range.counting.toText(n);
  }
}

function dateWords(ms: number): string {
  return new Date(ms).toLocaleDateString('en-US', {
    month: '2-digit',
    day: '2-digit',
    year: 'numeric',
    timeZone: utc,
  });
}

function timeWords(ms: number): string {
  const second = ms % 60_000 === 0 ? undefined : '2-digit';
  const words = new Date(ms).toLocaleTimeString('en-US', {
    hour: 'numeric',
    minute: '2-digit',
    second,
    timeZone: utc,
  });
  // Blink writes a narrow no-break space there; other runtimes of this code write a plain one.
  return words.replace(/\s(?=[AP]M)/, '\u202f');
}
