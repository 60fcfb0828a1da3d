import { appliesTo } from '../html/attribute-registry';
import { attribute, type Control, type Field, hasAttribute, isTypedText } from '../html/field';
import { pageOf } from '../html/page-controls';
import type { Outcome } from '../observation/outcome';
import type { ReasonCode } from '../observation/reason';
import type { AccessibilityFacts } from '../questions/accessibility/facts';
import type { Asking } from '../questions/asking';
import { GaveUp } from '../regexp/budget';
import { type ControlInLabel, type NameAndDescription, namesOfControls } from '../standard/accessible-name';
import { implicitRole } from '../standard/accessible-role';
import { writtenRole } from '../standard/aria-roles';
import { validityOf } from '../standard/constraint-validation';
import { type ControlState, parsedState } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import { fieldStateOf } from '../standard/field-state';
import { type AccessibilityDeviations, accessibilityDeviations } from './deviations/accessibility-deviations';
import { engineDeviations } from './deviations/engine-deviations';
import type { Habits } from './deviations/habits';

/** What assistive technology is told of a field’s first control while the page is as it is at first. */
export function predictAccessibility(
  field: Field,
  { markup }: Pick<Asking, 'markup'>,
  { deviations: engine }: Pick<Habits, 'deviations'>,
): Outcome<AccessibilityFacts> {
  const deviations = engineDeviations[engine];
  const [control] = field.controls;
  const own = accessibilityDeviations[engine];
  const { state, told } = controlsOf(markup, engine)[control.ordinal] ?? {};
  if (told === null) throw new GaveUp('too many steps');
  if (!told || !state || told.isHidden || field.kind === 'hidden') return inapplicable('not exposed');
  const isComposed =
    (state.kind === 'file' && (own.fileNameHasButton || told.name === '')) ||
    (state.kind === 'output' && own.outputsName);
  if (told.name === null || isComposed) return inapplicable('model knows no name');
  const role = writtenRole(state.attributes.role ?? '') ?? roleOf(state, own);
  return {
    status: 'answered',
    facts: {
      role,
      name: told.name,
      description: told.description,
      value: null,
      required: requiredOf(field, state, own),
      invalid: own.tellsInvalid(state.kind)
        ? isAriaInvalid(control) || isToldInvalid(field, state, own, deviations)
        : null,
    },
  };
}

const inapplicable = (code: ReasonCode): Outcome<never> => ({ status: 'inapplicable', reason: { code } });

function roleOf(state: ControlState, own: AccessibilityDeviations): string | null {
  const { kind, attributes } = state;
  const implicit = implicitRole(state);
  if (kind === 'select') return implicit === 'combobox' ? own.menuRole : implicit;
  if (implicit === 'combobox' && 'list' in attributes && !own.suggestionsMakeCombobox)
    return kind === 'search' ? 'searchbox' : 'textbox';
  return implicit === 'combobox' ? implicit : (own.roles[kind] ?? implicit);
}

function requiredOf(field: Field, state: ControlState, own: AccessibilityDeviations): boolean | null {
  const isList = implicitRole(state) === 'listbox';
  if (!own.tellsRequired(state.kind, isList)) return null;
  const [control] = field.controls;
  const applies =
    appliesTo('required', state.kind) || (own.everyInputRequired && control.element === 'input');
  const isRequired = hasAttribute(control, 'required') && applies;
  return isRequired || attribute(control, 'aria-required') === 'true';
}

function isAriaInvalid(control: Control): boolean {
  return !['false', '', null].includes(attribute(control, 'aria-invalid'));
}

function isToldInvalid(
  field: Field,
  { kind }: ControlState,
  own: AccessibilityDeviations,
  deviations: Deviations,
): boolean {
  const { willValidate, flags } = validityOf(fieldStateOf(field, { value: null }, deviations), deviations);
  if (!willValidate) return false;
  const isText = isTypedText(kind) || kind === 'number';
  return flags.some((flag) => !(own.emptyIsNotInvalid && isText && flag === 'valueMissing'));
}

interface ToldName extends Omit<NameAndDescription, 'name'> {
  /** Null where it has a part in it that nobody knows. */
  readonly name: string | null;
}

interface ToldControl {
  readonly state: ControlState;
  /** Null where it is not worked out. */
  readonly told: ToldName | null;
}

/** The controls of a page, by their ordinals. Computed once for a page and an engine: every field of it asks. */
function controlsOf(markup: string, engine: Habits['deviations']): readonly ToldControl[] {
  if (last?.markup === markup && last.engine === engine) return last.controls;
  const { ownPartInLabel, ...own } = accessibilityDeviations[engine];
  const states = pageOf(markup).controls.map((control) => parsedState(control, engineDeviations[engine]));
  const names = namesOfControls(markup, states.map(inLabel), {
    ...own,
    ownPartInLabel: ({ kind, value, placeholder, writtenRole: role }) => {
      const part = ownPartInLabel(kind, role !== null);
      if (part === null) return unknown;
      return part === 'nothing' ? '' : value || placeholder;
    },
  });
  const controls = states.map((state, ordinal) => {
    const told = names[ordinal] ?? null;
    return { state, told: told && { ...told, name: told.name.includes(unknown) ? null : told.name } };
  });
  last = { markup, engine, controls };
  return controls;
}
let last: {
  readonly markup: string;
  readonly engine: Habits['deviations'];
  readonly controls: readonly ToldControl[];
} | null = null;

function inLabel(state: ControlState): ControlInLabel {
  return {
    kind: state.kind,
    value: valueInLabel(state),
    placeholder: state.attributes.placeholder ?? '',
    writtenRole: writtenRole(state.attributes.role ?? ''),
  };
}

/** Stands in a name for what nobody knows; no markup has it, for parsers take it out. */
const unknown = '\0';

/** Step 2C, "Embedded Control". */
function valueInLabel({ kind, control, value, selected }: ControlState): string {
  switch (kind) {
    case 'checkbox':
    case 'radio':
    case 'color':
    case 'meter':
    case 'progress':
    case 'password':
      return '';
    case 'output':
      return control.text;
    case 'select':
      return selected.map((at) => control.options[at]?.label ?? '').join(' ');
    default:
      return value;
  }
}
