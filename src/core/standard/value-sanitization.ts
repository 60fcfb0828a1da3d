import type { FieldKind } from '../form/field';
import { simpleColor } from './colors';
import {
  formatLocalDateAndTime,
  parseDate,
  parseLocalDateAndTime,
  parseMonth,
  parseTime,
  parseWeek,
} from './dates-and-times';
import { isValidFloatingPointNumber } from './floating-point-numbers';
import { type RangeAttributes, rangeOf } from './ranges-and-steps';

export interface SanitizationAttributes extends RangeAttributes {
  readonly multiple: boolean;
}

/**
 * HTML Standard, "The input element", the value sanitization algorithm of each state; for textarea the API value's
 * newline normalization. Kinds without an algorithm give the value back.
 */
export function sanitizeValue(kind: FieldKind, value: string, attributes: SanitizationAttributes): string {
  switch (kind) {
    case 'text':
    case 'search':
    case 'tel':
    case 'password':
      return stripNewlines(value);
    case 'url':
      return trim(stripNewlines(value));
    case 'email':
      return attributes.multiple ? value.split(',').map(trim).join(',') : trim(stripNewlines(value));
    case 'number':
      return isValidFloatingPointNumber(value) ? value : '';
    case 'range':
      return sanitizeRange(value, attributes);
    case 'date':
      return parseDate(value) === null ? '' : value;
    case 'month':
      return parseMonth(value) === null ? '' : value;
    case 'week':
      return parseWeek(value) === null ? '' : value;
    case 'time':
      return parseTime(value) === null ? '' : value;
    case 'datetime-local': {
      const ms = parseLocalDateAndTime(value);
      return ms === null ? '' : formatLocalDateAndTime(ms);
    }
    case 'color':
      return simpleColor(value) ?? '#000000';
    case 'textarea':
      return value.replace(/\r\n?/g, '\n');
    default:
      return value;
  }
}

function stripNewlines(text: string): string {
  return text.replace(/[\n\r]/g, '');
}

/** Strips leading and trailing ASCII whitespace (Infra Standard). */
function trim(text: string): string {
  return text.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '');
}

/** HTML Standard, "Range state": default value, clamping, and rounding to a step, ties upwards. */
function sanitizeRange(value: string, attributes: RangeAttributes): string {
  const range = rangeOf('range', attributes);
  if (!range) return value;
  const min = range.min ?? 0;
  const max = range.max ?? 100;
  const valid = isValidFloatingPointNumber(value);
  let n = valid ? Number(value) : max < min ? min : min + (max - min) / 2;
  if (n < min || max < min) n = min;
  else if (n > max) n = max;
  const step = range.step;
  if (step === null) return n === Number(value) && valid ? value : String(n);
  const nearest = (round: (steps: number) => number) =>
    decimal(range.stepBase + round((n - range.stepBase) / step) * step, attributes);
  const up = nearest((steps) => Math.floor(steps + 0.5));
  const onStep = up <= max ? up : nearest(Math.floor);
  return valid && onStep === Number(value) ? value : String(onStep);
}

/** Drops what adding doubles left behind the last decimal that min, value and step together can have. */
function decimal(n: number, attributes: RangeAttributes): number {
  const places = [attributes.min, attributes.step, attributes.value].map(
    (text) => /\.(\d+)/.exec(text ?? '')?.[1]?.length ?? 0,
  );
  return Number(n.toFixed(Math.min(100, Math.max(...places))));
}
