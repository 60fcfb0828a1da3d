import type { ConstrainedField } from './constraint-validation';
import { type ControlState, constraintsOf } from './control-state';
import type { Deviations } from './deviations';

/** HTML Standard, "Radio Button state": the radio button group that contains it, itself included; empty without a name. */
export function radioGroupOf(own: ControlState, page: readonly ControlState[]): ControlState[] {
  const { name } = own.attributes;
  if (own.kind !== 'radio' || !name) return [];
  return page.filter(
    (other) =>
      other.kind === 'radio' && other.attributes.name === name && other.control.form === own.control.form,
  );
}

/** Of several of a group that are checked in the markup, the last one stays so. */
export function settledRadios(page: readonly ControlState[]): ControlState[] {
  return page.map((own) => {
    const last = radioGroupOf(own, page).findLast(({ checked }) => checked);
    return last && last !== own ? { ...own, checked: false } : own;
  });
}

/** What the constraints of a control read; a radio button shares required and checked with its group. */
export function constraintsInGroup(
  state: ControlState,
  group: readonly ControlState[],
  deviations: Deviations,
): ConstrainedField {
  const constraints = constraintsOf(state, deviations);
  if (state.kind !== 'radio' || group.length === 0) return constraints;
  return {
    ...constraints,
    required: group.some(({ attributes }) => 'required' in attributes),
    checked: group.some(({ checked }) => checked),
  };
}
