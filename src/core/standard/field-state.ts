import { attribute, type Control, type Field, hasAttribute } from '../form/field';
import type { ConstrainedField } from './constraint-validation';
import { meterValue, progressValue } from './gauges';
import { sanitizeValue } from './value-sanitization';

export interface Change {
  /** Set as a script sets `value` (or, for checkbox and radio, `checked` when it is not empty). Null: as parsed. */
  readonly value: string | null;
  readonly byPerson?: boolean;
  readonly badInput?: boolean;
}

/**
 * The state of a field as its constraints see it, as parsed or after one change (HTML Standard, "The input element",
 * `value` IDL attribute modes; "The textarea element"; "The select element").
 */
export function fieldStateOf(field: Field, change: Change = { value: null }): ConstrainedField {
  const [control] = field.controls;
  const flags = {
    multiple: hasAttribute(control, 'multiple'),
    min: attribute(control, 'min'),
    max: attribute(control, 'max'),
    step: attribute(control, 'step'),
    value: attribute(control, 'value'),
  };
  return {
    ...flags,
    kind: field.kind,
    currentValue: currentValueOf(field, change, flags),
    checked: checkedOf(field, change),
    required: field.controls.some((c) => hasAttribute(c, 'required')),
    readonly: hasAttribute(control, 'readonly'),
    disabled: hasAttribute(control, 'disabled') || control.disabledByFieldset,
    pattern: attribute(control, 'pattern'),
    minlength: attribute(control, 'minlength'),
    maxlength: attribute(control, 'maxlength'),
    editedByPerson: change.byPerson ?? false,
    badInput: change.badInput ?? false,
    customMessage: '',
  };
}

function currentValueOf(field: Field, change: Change, flags: Parameters<typeof sanitizeValue>[2]): string {
  const [control] = field.controls;
  switch (field.kind) {
    case 'checkbox':
    case 'radio':
      return checkedOf(field, change) ? (attribute(checkedControl(field) ?? control, 'value') ?? 'on') : '';
    case 'select':
      return change.value ?? selectedValue(control);
    case 'textarea':
    case 'output':
      return sanitizeValue(field.kind, change.value ?? control.text, flags);
    case 'file':
      return '';
    case 'meter':
      return String(meterValue(control));
    case 'progress':
      return String(progressValue(control));
    default:
      return sanitizeValue(field.kind, change.value ?? attribute(control, 'value') ?? '', flags);
  }
}

function checkedControl(field: Field): Control | undefined {
  return field.controls.findLast((c) => hasAttribute(c, 'checked'));
}

function checkedOf(field: Field, change: Change): boolean {
  if (field.kind !== 'checkbox' && field.kind !== 'radio') return false;
  return change.value === null ? checkedControl(field) !== undefined : change.value !== '';
}

/** HTML Standard, "The select element", selectedness setting algorithm: a single-choice list falls back to its first option. */
function selectedValue(control: Control): string {
  const selected = hasAttribute(control, 'multiple')
    ? control.options.find((o) => o.selected)
    : (control.options.findLast((o) => o.selected) ?? control.options.find((o) => !o.disabled));
  return selected?.value ?? '';
}
