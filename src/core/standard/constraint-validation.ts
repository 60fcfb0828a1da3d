import { appliesTo } from '../form/attribute-registry';
import type { FieldKind } from '../form/field';
import { isValidEmailAddress, isValidEmailAddressList } from './email-addresses';
import { readPattern } from './pattern-attribute';
import { hasReversedRange, isStepMismatch, type RangeAttributes, rangeOf } from './ranges-and-steps';

/** The members of ValidityState, in the standard's order (HTML Standard, "The constraint validation API"). */
export const validityFlags = [
  'valueMissing',
  'typeMismatch',
  'patternMismatch',
  'tooLong',
  'tooShort',
  'rangeUnderflow',
  'rangeOverflow',
  'stepMismatch',
  'badInput',
  'customError',
] as const;
export type ValidityFlag = (typeof validityFlags)[number];

/** All that the constraints of one field read. Lengths are in UTF-16 code units. */
export interface ConstrainedField extends RangeAttributes {
  readonly kind: FieldKind;
  /** After sanitization. For a select with several values, the first one selected. */
  readonly currentValue: string;
  /** Of a checkbox, or of any radio button in the group; for a file field whether a file is chosen. */
  readonly checked: boolean;
  readonly required: boolean;
  readonly readonly: boolean;
  readonly disabled: boolean;
  readonly multiple: boolean;
  readonly pattern: string | null;
  readonly minlength: string | null;
  readonly maxlength: string | null;
  /** The last change was made by a person (HTML Standard, "dirty value flag" and "changed by a user edit"). */
  readonly editedByPerson: boolean;
  /** What was typed cannot be turned into a value at all. */
  readonly badInput: boolean;
  readonly customMessage: string;
}

export interface Validity {
  readonly willValidate: boolean;
  readonly flags: readonly ValidityFlag[];
}

const neverValidated: readonly FieldKind[] = ['hidden', 'reset', 'button', 'output', 'meter', 'progress'];

/** HTML Standard, "Constraints": a candidate for constraint validation, that is, not barred from it. */
export function willValidate(field: ConstrainedField): boolean {
  if (neverValidated.includes(field.kind) || field.disabled) return false;
  return !(field.readonly && appliesTo('readonly', field.kind));
}

/** HTML Standard, "Constraints": every way in which the field suffers, whether or not it is barred from validation. */
export function validityOf(field: ConstrainedField): Validity {
  const suffers: Record<ValidityFlag, boolean> = {
    valueMissing: isValueMissing(field),
    typeMismatch: isTypeMismatch(field),
    patternMismatch: isPatternMismatch(field),
    ...lengthFlags(field),
    ...rangeFlags(field),
    badInput: field.badInput,
    customError: field.customMessage !== '',
  };
  return { willValidate: willValidate(field), flags: validityFlags.filter((flag) => suffers[flag]) };
}

function isValueMissing(field: ConstrainedField): boolean {
  if (!field.required || !appliesTo('required', field.kind)) return false;
  if (field.kind === 'checkbox' || field.kind === 'radio' || field.kind === 'file') return !field.checked;
  const mutable = !field.readonly && !field.disabled;
  if (appliesTo('readonly', field.kind) && !mutable) return false;
  return field.currentValue === '';
}

function isTypeMismatch({ kind, currentValue, multiple }: ConstrainedField): boolean {
  if (currentValue === '') return false;
  if (kind === 'url') return !isAbsoluteUrl(currentValue);
  if (kind === 'email')
    return multiple ? !isValidEmailAddressList(currentValue) : !isValidEmailAddress(currentValue);
  return false;
}

/** URL Standard, "valid absolute URL" as engines check it: the parser, run without a base, does not fail. */
function isAbsoluteUrl(text: string): boolean {
  return URL.canParse(text);
}

function isPatternMismatch({ kind, currentValue, pattern, multiple }: ConstrainedField): boolean {
  if (pattern === null || currentValue === '' || !appliesTo('pattern', kind)) return false;
  const reading = readPattern(pattern);
  if (reading.status === 'ignored') return false;
  const values = kind === 'email' && multiple ? currentValue.split(',') : [currentValue];
  return values.some((value) => !reading.expression.test(value));
}

/** HTML Standard, "Rules for parsing non-negative integers". */
export function parseNonNegativeInteger(text: string | null): number | null {
  const match = /^[\t\n\f\r ]*\+?(\d+)/.exec(text ?? '');
  return match ? Number(match[1]) : /^[\t\n\f\r ]*-0+(?!\d)/.test(text ?? '') ? 0 : null;
}

function lengthFlags(field: ConstrainedField): { tooLong: boolean; tooShort: boolean } {
  const length = field.currentValue.length;
  const applies = appliesTo('maxlength', field.kind) && field.editedByPerson;
  const max = parseNonNegativeInteger(field.maxlength);
  const min = parseNonNegativeInteger(field.minlength);
  return {
    tooLong: applies && max !== null && length > max,
    tooShort: applies && min !== null && length > 0 && length < min,
  };
}

function rangeFlags(
  field: ConstrainedField,
): Record<'rangeUnderflow' | 'rangeOverflow' | 'stepMismatch', boolean> {
  const none = { rangeUnderflow: false, rangeOverflow: false, stepMismatch: false };
  const range = rangeOf(field.kind, field);
  const value = range?.counting.toNumber(field.currentValue) ?? null;
  if (!range || value === null) return none;
  const stepMismatch = isStepMismatch(range, value);
  if (hasReversedRange(field.kind, range)) {
    const between = value > (range.max ?? 0) && value < (range.min ?? 0);
    return { rangeUnderflow: between, rangeOverflow: between, stepMismatch };
  }
  return {
    rangeUnderflow: range.min !== null && value < range.min,
    rangeOverflow: range.max !== null && value > range.max,
    stepMismatch,
  };
}
