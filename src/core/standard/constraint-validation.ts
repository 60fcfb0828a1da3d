import { appliesTo } from '../html/attribute-registry';
import type { FieldKind } from '../html/field';
import { type Deviations, noDeviations } from './deviations';
import { parseNonNegativeInteger } from './non-negative-integers';
import {
  countedIn,
  hasReversedRange,
  isStepMismatch,
  type Range,
  type RangeAttributes,
  rangeOf,
} from './ranges-and-steps';
import { type ValidityFlag, validityFlags } from './validity-flags';

/** All that the constraints of one field read. Lengths are in UTF-16 code units. */
export interface ConstrainedField extends RangeAttributes {
  readonly kind: FieldKind;
  /** After sanitization. For a select with several values, the first one selected. */
  readonly currentValue: string;
  /** Of a checkbox, or of any radio button in the group; for a file field whether a file is chosen. */
  readonly checked: boolean;
  /** Of a select: nothing is chosen, or only what stands for nothing. */
  readonly isUnselected: boolean;
  readonly required: boolean;
  readonly isNameless: boolean;
  readonly readonly: boolean;
  /** An input or a textarea: their `readonly` bars them from validation whether or not it applies to their kind. */
  readonly isEntry: boolean;
  readonly disabled: boolean;
  /** Inside a datalist. */
  readonly inDatalist: boolean;
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

/** HTML Standard, "Constraints": a candidate for constraint validation, that is, not barred from it. */
export function willValidate(field: ConstrainedField, deviations: Deviations = noDeviations): boolean {
  if (deviations.barredKinds.includes(field.kind) || field.disabled || field.inDatalist) return false;
  return !(field.readonly && field.isEntry);
}

/** HTML Standard, "Constraints": every way in which the field suffers, whether or not it is barred from validation. */
export function validityOf(field: ConstrainedField, deviations: Deviations = noDeviations): Validity {
  const suffers: Record<ValidityFlag, boolean> = {
    valueMissing: isValueMissing(field, deviations),
    typeMismatch: isTypeMismatch(field, deviations),
    patternMismatch: isPatternMismatch(field, deviations),
    ...lengthFlags(field),
    ...rangeFlags(field, deviations),
    badInput: field.badInput || (field.kind === 'email' && isUnreadable(field, deviations)),
    customError: field.customMessage !== '',
  };
  return {
    willValidate: willValidate(field, deviations),
    flags: validityFlags.filter((flag) => suffers[flag]),
  };
}

function isValueMissing(field: ConstrainedField, deviations: Deviations): boolean {
  if (!field.required || !appliesTo('required', field.kind)) return false;
  if (field.kind === 'radio' && field.isNameless && !deviations.namelessRadioMayMiss) return false;
  if (field.kind === 'checkbox' || field.kind === 'radio' || field.kind === 'file') return !field.checked;
  if (field.kind === 'select') return field.isUnselected;
  const mutable = !field.readonly && !field.disabled;
  if (appliesTo('readonly', field.kind) && !mutable) return false;
  return field.currentValue === '';
}

function isTypeMismatch(field: ConstrainedField, deviations: Deviations): boolean {
  if (field.currentValue === '') return false;
  if (field.kind === 'url') return !deviations.isUrl(field.currentValue);
  return field.kind === 'email' && !addressesIn(field).every(deviations.isEmailAddress);
}

/** HTML Standard, "Email state": the addresses of a list stand between commas. */
function addressesIn({ currentValue, multiple }: ConstrainedField): string[] {
  return multiple ? currentValue.split(',') : [currentValue];
}

/** Parts of a list without the space around them; text that is nothing but space has none. */
function partsOf(field: ConstrainedField): string[] {
  if (field.kind === 'email') return addressesIn(field);
  const parts = field.currentValue.split(',').map((part) => part.trim());
  return parts.length === 1 && parts[0] === '' ? [] : parts;
}

function isUnreadable(field: ConstrainedField, deviations: Deviations): boolean {
  return field.currentValue !== '' && addressesIn(field).some(deviations.isUnreadableEmail);
}

function isPatternMismatch(field: ConstrainedField, deviations: Deviations): boolean {
  const { kind, currentValue, pattern } = field;
  if (pattern === null || currentValue === '' || !appliesTo('pattern', kind)) return false;
  const reading = deviations.readPattern(pattern);
  if (reading.status === 'ignored') return false;
  const lists = kind === 'email' || (deviations.patternReadsLists && field.multiple);
  const values = lists ? partsOf(field) : [currentValue];
  return values.some((value) => !reading.matches(value));
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
  deviations: Deviations,
): Record<'rangeUnderflow' | 'rangeOverflow' | 'stepMismatch', boolean> {
  const none = { rangeUnderflow: false, rangeOverflow: false, stepMismatch: false };
  const range = rangeOf(field.kind, field, deviations);
  const value =
    range &&
    countedIn(range.counting, field.currentValue, range.counting.toNumber ? 'limit' : 'value', deviations);
  if (!range || !value) return none;
  const stepMismatch = isStepMismatch(field.kind, range, value, deviations);
  const { min, max } = range.exact;
  const [below, above] = [min && value.compare(min) < 0, max && value.compare(max) > 0];
  if (hasReversedRange(field.kind, range)) {
    const between = Boolean(below && above);
    return { rangeUnderflow: between, rangeOverflow: between, stepMismatch };
  }
  return {
    rangeUnderflow: Boolean(below),
    rangeOverflow:
      Boolean(above) && !(field.kind === 'range' && !deviations.reversedRangeOverflows && isReversed(range)),
    stepMismatch,
  };
}

function isReversed({ exact: { min, max } }: Range): boolean {
  return min !== null && max !== null && max.compare(min) < 0;
}
