import { parseFloatingPointNumber } from '../standard/floating-point-numbers';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { readPattern } from '../standard/pattern-attribute';
import { countedIn, countingOf } from '../standard/ranges-and-steps';
import { appliesTo, attributeRegistry, isKnownAttribute } from './attribute-registry';
import { autocompleteFault } from './autocomplete-tokens';
import {
  attribute,
  type Field,
  type FieldKind,
  hasAttribute,
  inputTypes,
  isDated,
  isDisabled,
} from './field';
import { ownEntry } from './own-entry';

/**
 * Why an attribute that a field has does nothing there, in one sentence; null where it does something, or where only
 * styles and scripts may know.
 */
export function ignoredBecause(field: Field, name: string): string | null {
  const value = attribute(field.controls[0], name);
  if (value === null) return null;
  if (!isKnownAttribute(name))
    return 'The standard has no such attribute: only styles and scripts can see it.';
  if (!Object.hasOwn(attributeRegistry, name)) return null;
  if (name === 'type') return unknownType(field, value);
  if (!appliesTo(name, field.kind)) return notOfKind(field.kind, name);
  return unreadable(field, name, value) ?? overruled(field, name);
}

function unknownType(field: Field, value: string): string | null {
  if (value === '') return null;
  const known =
    field.controls[0].element !== 'input' || inputTypes.some((type) => type === value.toLowerCase());
  return known ? null : `There is no kind “${value}”: the field is a plain text box.`;
}

/** What would do instead on a field of this kind, as a sentence after a space; empty where there is nothing. */
export function instead(kind: FieldKind, name: string): string {
  const ranged = appliesTo('max', kind);
  if (name === 'maxlength' && ranged) return ' Limit the value with max.';
  if (name === 'minlength' && ranged) return ' Limit the value with min.';
  if (name === 'pattern' && ranged) return ' Its value has one form anyway; limit it with min, max and step.';
  if (name === 'pattern' && kind === 'textarea') return ' Check it in a script.';
  if ((name === 'min' || name === 'max') && appliesTo('maxlength', kind))
    return ' Limit the length with minlength and maxlength, or make it a number.';
  if (name === 'placeholder') return ' Put the hint beside the field.';
  if (name === 'required' && kind === 'range') return ' It always has a value.';
  if (name === 'required' && kind === 'color') return ' It always has a colour.';
  if (name === 'readonly') return ' To keep people out, use disabled; it is then not sent.';
  if (name === 'checked' && kind === 'select') return ' Use selected on an option.';
  if (name === 'value' && kind === 'textarea') return ' Its text stands between its tags.';
  if (name === 'value' && kind === 'select') return ' Use selected on an option.';
  if (name === 'value' && kind === 'file') return ' Only a person can choose a file.';
  return '';
}

function notOfKind(kind: FieldKind, name: string): string {
  const kinds = ownEntry(attributeRegistry, name)?.kinds ?? [];
  const on = kinds.length > 5 ? '' : ` It acts on ${kinds.join(', ')}.`;
  return `A field of kind ${kind} ignores it.${instead(kind, name) || on}`;
}

/** Values that are none. */
function unreadable(field: Field, name: string, value: string): string | null {
  const { kind } = field;
  const [control] = field.controls;
  const entry = ownEntry(attributeRegistry, name);
  switch (name) {
    case 'min':
    case 'max':
      return isLimit(kind, value) ? null : `“${value}” is no ${limitName(kind)}, so there is no limit.`;
    case 'value':
      return isDated(kind) && value !== '' && !isLimit(kind, value)
        ? `“${value}” is no ${limitName(kind)}, so the field starts empty.`
        : null;
    case 'step': {
      const step = parseFloatingPointNumber(value);
      const works = value.toLowerCase() === 'any' || (step !== null && Number(step) > 0);
      return works ? null : `“${value}” is no step: the usual one of the kind counts.`;
    }
    case 'minlength':
    case 'maxlength':
      return parseNonNegativeInteger(value) === null
        ? `“${value}” is no length, so there is no limit.`
        : null;
    case 'pattern': {
      const reading = readPattern(value);
      return reading.status === 'ignored'
        ? `It does not compile with the v flag, so everything is let through.`
        : null;
    }
    case 'list':
      return field.suggestions === null ? `No datalist has the id “${value}”.` : null;
    case 'autocomplete':
      return autocompleteFault(control);
    case 'size':
    case 'rows':
    case 'cols':
      return (parseNonNegativeInteger(value) ?? 0) > 0
        ? null
        : `“${value}” is no size: the usual one counts.`;
    default:
      return Array.isArray(entry?.value) && value !== '' && !entry.value.includes(value.toLowerCase())
        ? `“${value}” is none of ${entry.value.join(', ')}.`
        : null;
  }
}

function isLimit(kind: FieldKind, value: string): boolean {
  const counting = countingOf(kind);
  return counting ? countedIn(counting, value, 'limit') !== null : parseFloatingPointNumber(value) !== null;
}

function limitName(kind: FieldKind): string {
  const examples: Readonly<Partial<Record<FieldKind, string>>> = {
    date: 'date like 2026-12-31',
    month: 'month like 2026-12',
    week: 'week like 2026-W52',
    time: 'time like 18:45',
    'datetime-local': 'moment like 2026-12-31T18:45',
  };
  return examples[kind] ?? 'number';
}

const constraints = new Set(['required', 'min', 'max', 'step', 'minlength', 'maxlength', 'pattern']);

/** Constraints of fields that nobody can fill in are not checked (HTML Standard, "barred from constraint validation"). */
function overruled(field: Field, name: string): string | null {
  if (!constraints.has(name)) return null;
  const [control] = field.controls;
  if (isDisabled(control)) return 'The field is disabled, so it is not checked.';
  if (hasAttribute(control, 'readonly') && (control.element === 'input' || control.element === 'textarea'))
    return 'The field is read-only, so it is not checked.';
  return null;
}
