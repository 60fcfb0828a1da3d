import type { FieldKind } from '../html/field';
import { parseLocalDateAndTime } from './dates-and-times';
import { Decimal } from './decimal';
import { type Deviations, noDeviations } from './deviations';
import { countedIn, countingOf, type RangeAttributes, rangeOf } from './ranges-and-steps';

export interface SanitizationAttributes extends RangeAttributes {
  readonly colorSpace?: string | null;
  readonly multiple: boolean;
}

/**
 * HTML Standard, "The input element", the value sanitization algorithm of each state; for textarea the API value's
 * newline normalization. Kinds without an algorithm give the value back.
 */
export function sanitizeValue(
  kind: FieldKind,
  value: string,
  attributes: SanitizationAttributes,
  deviations: Deviations = noDeviations,
): string {
  switch (kind) {
    case 'text':
    case 'search':
    case 'tel':
    case 'password':
      return stripNewlines(value);
    case 'url':
      return trim(stripNewlines(value));
    case 'email':
      return attributes.multiple
        ? (deviations.listsKeepNewlines ? value : stripNewlines(value)).split(',').map(trim).join(',')
        : trim(stripNewlines(value));
    case 'number':
      return deviations.sanitizeNumber(value);
    case 'range':
      return sanitizeRange(value, attributes, deviations);
    case 'date':
    case 'month':
    case 'week':
    case 'time':
      return isInReach(kind, value, deviations) ? value : '';
    case 'datetime-local':
      return isInReach(kind, value, deviations)
        ? deviations.momentText(parseLocalDateAndTime(value) ?? 0, value)
        : '';
    case 'color':
      return deviations.simpleColor(value, attributes.colorSpace ?? null) ?? '#000000';
    case 'textarea':
      return value.replace(/\r\n?/g, '\n');
    default:
      return value;
  }
}

function isInReach(kind: FieldKind, value: string, deviations: Deviations): boolean {
  const counting = countingOf(kind);
  return counting !== null && countedIn(counting, value, 'value', deviations) !== null;
}

function stripNewlines(text: string): string {
  return text.replace(/[\n\r]/g, '');
}

/** Strips leading and trailing ASCII whitespace (Infra Standard). */
function trim(text: string): string {
  return text.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '');
}

/** HTML Standard, "Range state": default value, clamping, and rounding to a step, ties upwards. */
function sanitizeRange(value: string, attributes: RangeAttributes, deviations: Deviations): string {
  const range = rangeOf('range', attributes, deviations);
  if (!range) return value;
  const { step, stepBase } = range.exact;
  const [min, max] = [range.exact.min ?? Decimal.zero, range.exact.max ?? Decimal.of(100)];
  const given = countedIn(range.counting, value, 'value', deviations);
  let n = given ?? (max.compare(min) < 0 ? min : min.plus(max.minus(min).over(Decimal.of(2))));
  if (n.compare(max) > 0) n = max;
  // Equal to the lower limit, it is written as that is.
  if (n.compare(min) <= 0) n = min;
  if (step && !step.isZero() && max.compare(min) >= 0)
    n = deviations.nearestStep(n, { step, base: stepBase, min, max });
  return given && deviations.rangeKeepsText && n.compare(given) === 0 ? value : deviations.rangeText(n);
}
