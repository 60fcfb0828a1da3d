import { appliesTo, attributeRegistry, isKnownAttribute } from '../html/attribute-registry';
import { type AutocompleteFault, autocompleteFault } from '../html/autocomplete-tokens';
import {
  attribute,
  type Field,
  type FieldKind,
  hasAttribute,
  inputTypes,
  isDated,
  isDisabled,
} from '../html/field';
import { ownEntry } from '../html/own-entry';
import { parseFloatingPointNumber } from '../standard/floating-point-numbers';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { readPattern } from '../standard/pattern-attribute';
import { countedIn, countingOf } from '../standard/ranges-and-steps';

/** Why an attribute does nothing on its field. Its sentence is made in `words/`. */
export type Ignored =
  | { readonly code: 'not in the standard' }
  | { readonly code: 'unknown type'; readonly type: string }
  | { readonly code: 'not of the kind'; readonly kind: FieldKind; readonly attribute: string }
  /** A min or max that cannot be read. */
  | { readonly code: 'no limit'; readonly value: string; readonly kind: FieldKind }
  | { readonly code: 'no value'; readonly value: string; readonly kind: FieldKind }
  | { readonly code: 'no step' | 'no length' | 'no size'; readonly value: string }
  | { readonly code: 'pattern does not compile' }
  | { readonly code: 'list not there'; readonly list: string }
  | { readonly code: 'autocomplete'; readonly fault: AutocompleteFault }
  | { readonly code: 'not among the values'; readonly value: string; readonly values: readonly string[] }
  /** Constraints of fields that nobody can fill in are not checked (HTML Standard, "barred from constraint validation"). */
  | { readonly code: 'disabled' | 'read-only' };

/** Why an attribute that a field has does nothing there; null where it does something, or where only styles and scripts may know. */
export function ignoredBecause(field: Field, name: string): Ignored | null {
  const value = attribute(field.controls[0], name);
  if (value === null || field.kind === 'widget') return null;
  if (!isKnownAttribute(name)) return { code: 'not in the standard' };
  if (!Object.hasOwn(attributeRegistry, name)) return null;
  if (name === 'type') return unknownType(field, value);
  if (!appliesTo(name, field.kind)) return { code: 'not of the kind', kind: field.kind, attribute: name };
  return unreadable(field, name, value) ?? overruled(field, name);
}

function unknownType(field: Field, type: string): Ignored | null {
  if (type === '' || field.controls[0].element !== 'input') return null;
  return inputTypes.some((known) => known === type.toLowerCase()) ? null : { code: 'unknown type', type };
}

/** Values that are none. */
function unreadable(field: Field, name: string, value: string): Ignored | null {
  const { kind } = field;
  switch (name) {
    case 'min':
    case 'max':
      return isLimit(kind, value) ? null : { code: 'no limit', value, kind };
    case 'value':
      return isDated(kind) && value !== '' && !isLimit(kind, value)
        ? { code: 'no value', value, kind }
        : null;
    case 'step': {
      const step = parseFloatingPointNumber(value);
      const works = value.toLowerCase() === 'any' || (step !== null && Number(step) > 0);
      return works ? null : { code: 'no step', value };
    }
    case 'minlength':
    case 'maxlength':
      return parseNonNegativeInteger(value) === null ? { code: 'no length', value } : null;
    case 'pattern':
      return readPattern(value).status === 'ignored' ? { code: 'pattern does not compile' } : null;
    case 'list':
      return field.suggestions === null ? { code: 'list not there', list: value } : null;
    case 'autocomplete': {
      const fault = autocompleteFault(field.controls[0]);
      return fault && { code: 'autocomplete', fault };
    }
    case 'size':
    case 'rows':
    case 'cols':
      return (parseNonNegativeInteger(value) ?? 0) > 0 ? null : { code: 'no size', value };
    default: {
      const values = ownEntry(attributeRegistry, name)?.value;
      return Array.isArray(values) && value !== '' && !values.includes(value.toLowerCase())
        ? { code: 'not among the values', value, values }
        : null;
    }
  }
}

function isLimit(kind: FieldKind, value: string): boolean {
  const counting = countingOf(kind);
  return counting ? countedIn(counting, value, 'limit') !== null : parseFloatingPointNumber(value) !== null;
}

const constraints = new Set(['required', 'min', 'max', 'step', 'minlength', 'maxlength', 'pattern']);

function overruled(field: Field, name: string): Ignored | null {
  if (!constraints.has(name)) return null;
  const [control] = field.controls;
  if (isDisabled(control)) return { code: 'disabled' };
  const isTyped = control.element === 'input' || control.element === 'textarea';
  return isTyped && hasAttribute(control, 'readonly') ? { code: 'read-only' } : null;
}
