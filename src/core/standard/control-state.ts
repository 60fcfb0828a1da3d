import { type Control, type FieldKind, kindOf, type Option } from '../html/field';
import type { ConstrainedField } from './constraint-validation';
import { type Deviations, noDeviations } from './deviations';
import { meterValue, progressValue } from './gauges';
import { parseNonNegativeInteger } from './non-negative-integers';
import { sanitizeValue } from './value-sanitization';

/**
 * What a control holds beside its attributes (HTML Standard, "Form control infrastructure": the value, the dirty value
 * flag, checkedness; "The select element": selectedness). Changes give a new state.
 */
export interface ControlState {
  readonly control: Control;
  readonly kind: FieldKind;
  readonly attributes: Readonly<Record<string, string>>;
  /** The value concept; of a textarea its API value. Unused by kinds whose value is an attribute. */
  readonly value: string;
  readonly isDirty: boolean;
  readonly checked: boolean;
  /** Of a select: places of the selected options. */
  readonly selected: readonly number[];
  /** Of a file field: how many are chosen. */
  readonly files: number;
  readonly customMessage: string;
}

type ValueMode = 'value' | 'default' | 'default/on' | 'filename';

/** HTML Standard, "The input element", the modes of the `value` IDL attribute. */
export function valueModeOf(kind: FieldKind): ValueMode {
  switch (kind) {
    case 'hidden':
    case 'submit':
    case 'image':
    case 'reset':
    case 'button':
      return 'default';
    case 'checkbox':
    case 'radio':
      return 'default/on';
    case 'file':
      return 'filename';
    default:
      return 'value';
  }
}

/** The kind as an engine takes it: one that it does not know is a text box. */
function kindIn(control: Control, type: string | null, deviations: Deviations): FieldKind {
  const kind = kindOf(control.element, type);
  return deviations.unknownKinds.includes(kind) ? 'text' : kind;
}

/** A control as it was parsed. */
export function parsedState(control: Control, deviations: Deviations = noDeviations): ControlState {
  const attributes = Object.fromEntries(control.attributes.map(({ name, value }) => [name, value]));
  const state: ControlState = {
    control,
    kind: kindIn(control, attributes.type ?? null, deviations),
    attributes,
    value:
      control.element === 'textarea' || control.element === 'output'
        ? control.text
        : (attributes.value ?? ''),
    isDirty: false,
    checked: 'checked' in attributes,
    selected: [],
    files: 0,
    customMessage: '',
  };
  if (control.element === 'select') return { ...state, selected: selectedAtFirst(state, deviations) };
  const numeric = state.kind === 'number' ? { ...state, value: deviations.parsedNumber(state.value) } : state;
  return sanitized(numeric, deviations);
}

function sanitized(state: ControlState, deviations: Deviations): ControlState {
  if (valueModeOf(state.kind) !== 'value') return state;
  return { ...state, value: sanitizeValue(state.kind, state.value, sanitizationOf(state), deviations) };
}

function sanitizationOf({ attributes }: ControlState) {
  const text = (name: string) => attributes[name] ?? null;
  return {
    multiple: 'multiple' in attributes,
    min: text('min'),
    max: text('max'),
    step: text('step'),
    value: text('value'),
    colorSpace: text('colorspace'),
  };
}

/** HTML Standard, "The select element", display size. */
function displaySizeOf({ attributes }: ControlState, deviations: Deviations): number {
  const asked = parseNonNegativeInteger(attributes.size ?? null);
  return (asked === 0 && deviations.sizeZeroIsNone ? null : asked) ?? ('multiple' in attributes ? 4 : 1);
}

/** HTML Standard, "The select element", the selectedness setting algorithm. */
function selectedAtFirst(state: ControlState, deviations: Deviations): number[] {
  const { options } = state.control;
  const asked = options.flatMap((option, index) => (option.selected ? [index] : []));
  if ('multiple' in state.attributes) return asked;
  const last = asked.at(-1);
  if (last !== undefined) return [last];
  if (displaySizeOf(state, deviations) !== 1) return [];
  const first = options.findIndex(({ disabled }) => !disabled || deviations.startsOnDisabled);
  return first < 0 ? [] : [first];
}

/** A script sets `value`. @returns the name of the exception where that throws. */
export function withValue(
  state: ControlState,
  value: string,
  deviations: Deviations = noDeviations,
): ControlState | 'InvalidStateError' {
  if (state.control.element === 'select') {
    const index = state.control.options.findIndex((option) => option.value === value);
    return { ...state, selected: index < 0 ? [] : [index] };
  }
  if (state.control.element === 'button') return withAttributes(state, { value }, deviations);
  switch (valueModeOf(state.kind)) {
    case 'value':
      return sanitized({ ...state, value, isDirty: true }, deviations);
    case 'filename':
      return value === '' ? state : 'InvalidStateError';
    default:
      return withAttributes(state, { value }, deviations);
  }
}

/** A script or a person checks or unchecks it. */
export function withChecked(state: ControlState, checked: boolean): ControlState {
  return { ...state, checked, isDirty: true };
}

/** A script sets attributes (HTML Standard, "The input element": what follows when `value`, `type`, and limits change). */
export function withAttributes(
  state: ControlState,
  attributes: Readonly<Record<string, string>>,
  deviations: Deviations = noDeviations,
): ControlState {
  const { type, ...others } = attributes;
  const merged: ControlState = { ...state, attributes: { ...state.attributes, ...others } };
  const renewed: ControlState = {
    ...merged,
    value:
      'value' in others && !state.isDirty && state.control.element === 'input'
        ? (others.value ?? '')
        : state.value,
    checked: state.checked || ('checked' in others && !state.isDirty),
  };
  const settled = sanitized(renewed, deviations);
  return type === undefined ? settled : withType(settled, type, deviations);
}

/** A script sets `type` (HTML Standard, "The input element", what follows when the type attribute changes state). */
export function withType(
  state: ControlState,
  type: string,
  deviations: Deviations = noDeviations,
): ControlState {
  if (state.control.element !== 'input') return state;
  const kind = kindIn(state.control, type, deviations);
  const [before, after] = [valueModeOf(state.kind), valueModeOf(kind)];
  const typed = { ...state, kind, attributes: { ...state.attributes, type } };
  if (deviations.retypesFromAttribute && !state.isDirty && before === 'value')
    return sanitized({ ...typed, value: state.attributes.value ?? '' }, deviations);
  if (before === 'value' && (after === 'default' || after === 'default/on') && state.value !== '')
    return { ...typed, attributes: { ...typed.attributes, value: state.value } };
  if (before !== 'value' && after === 'value')
    return sanitized({ ...typed, value: state.attributes.value ?? '', isDirty: false }, deviations);
  if (before !== 'filename' && after === 'filename') return { ...typed, value: '' };
  return sanitized(typed, deviations);
}

/** A person chooses files. */
export function withFiles(state: ControlState, count: number): ControlState {
  return state.kind === 'file' ? { ...state, files: count } : state;
}

export function withCustomValidity(state: ControlState, customMessage: string): ControlState {
  return { ...state, customMessage };
}

/** What a script reads as `value`. */
export function idlValueOf(state: ControlState): string {
  const { control, attributes, kind } = state;
  if (control.element === 'select') return selectedOption(state)?.value ?? '';
  if (control.element === 'button') return attributes.value ?? '';
  if (kind === 'meter') return String(meterValue(control));
  if (kind === 'progress') return String(progressValue(control));
  switch (valueModeOf(kind)) {
    case 'value':
      return state.value;
    case 'default':
      return attributes.value ?? '';
    case 'default/on':
      return attributes.value ?? 'on';
    case 'filename':
      return '';
  }
}

/** What `type` reflects (HTML Standard, "The input element", "The select element" and others). */
export function typeReflected({ control, kind, attributes }: ControlState): string {
  if (control.element === 'select') return 'multiple' in attributes ? 'select-multiple' : 'select-one';
  return control.element === 'meter' || control.element === 'progress' ? '' : kind;
}

function selectedOption({ control, selected }: ControlState): Option | undefined {
  const [first] = selected;
  return first === undefined ? undefined : control.options[first];
}

/**
 * HTML Standard, "The select element", suffering from being missing: nothing is selected, or nothing but the placeholder
 * label option, an empty first option of a list that is drawn as one line.
 */
export function isUnselected(state: ControlState, deviations: Deviations = noDeviations): boolean {
  const { control, selected, attributes } = state;
  if (selected.length === 0) return true;
  if (
    'multiple' in attributes ||
    displaySizeOf(state, deviations) !== 1 ||
    selected.length > 1 ||
    selected[0] !== 0
  )
    return false;
  const [first] = control.options;
  return (
    first?.value === '' && !first.grouped && !(deviations.placeholderComesFirst && control.startsWithOther)
  );
}

/** All that the constraints of one control read. */
export function constraintsOf(state: ControlState, deviations: Deviations = noDeviations): ConstrainedField {
  const { kind, attributes, control } = state;
  const text = (name: string) => attributes[name] ?? null;
  return {
    ...sanitizationOf(state),
    kind,
    currentValue: idlValueOf(state),
    checked: kind === 'file' ? state.files > 0 : state.checked,
    isUnselected: control.element === 'select' && isUnselected(state, deviations),
    required: 'required' in attributes,
    isNameless: !attributes.name,
    readonly: 'readonly' in attributes,
    isEntry: control.element === 'input' || control.element === 'textarea',
    disabled: 'disabled' in attributes || control.disabledByFieldset,
    inDatalist: control.inDatalist,
    pattern: text('pattern'),
    minlength: text('minlength'),
    maxlength: text('maxlength'),
    editedByPerson: false,
    badInput: false,
    customMessage: state.customMessage,
  };
}
