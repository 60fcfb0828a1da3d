import { attribute, type Field, hasAttribute } from '../html/field';
import type { ConstrainedField } from './constraint-validation';
import { type ControlState, constraintsOf, parsedState, withChecked, withValue } from './control-state';
import { type Deviations, noDeviations } from './deviations';

export interface Change {
  /** Set as a script sets `value` (or, for checkbox and radio, `checked` when it is not empty). Null: as parsed. */
  readonly value: string | null;
  readonly byPerson?: boolean;
  readonly badInput?: boolean;
}

/** The state of a field as its constraints see it, as parsed or after one change; a radio button group is one field. */
export function fieldStateOf(
  field: Field,
  change: Change = { value: null },
  deviations: Deviations = noDeviations,
): ConstrainedField {
  const [control] = field.controls;
  const constraints = constraintsOf(stateAfter(field, change, deviations), deviations);
  const checkable = field.kind === 'checkbox' || field.kind === 'radio';
  const checked = checkedOf(field, change);
  const chosen = field.controls.findLast((one) => hasAttribute(one, 'checked')) ?? control;
  return {
    ...constraints,
    required: field.controls.some((one) => hasAttribute(one, 'required')),
    checked: checkable && checked,
    // A group has the value of the button that is checked, and none when none is.
    currentValue: checkable
      ? checked
        ? (attribute(chosen, 'value') ?? 'on')
        : ''
      : constraints.currentValue,
    editedByPerson: change.byPerson ?? false,
    badInput: change.badInput ?? false,
  };
}

function stateAfter(field: Field, { value }: Change, deviations: Deviations): ControlState {
  const parsed = parsedState(field.controls[0], deviations);
  if (value === null) return parsed;
  if (field.kind === 'checkbox' || field.kind === 'radio') return withChecked(parsed, value !== '');
  const set = withValue(parsed, value, deviations);
  return set === 'InvalidStateError' ? parsed : set;
}

function checkedOf(field: Field, { value }: Change): boolean {
  return value === null ? field.controls.some((one) => hasAttribute(one, 'checked')) : value !== '';
}
