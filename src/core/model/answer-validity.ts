import { pageOf } from '../html/page-controls';
import { validityOf } from '../standard/constraint-validation';
import {
  type ControlState,
  idlValueOf,
  parsedState,
  typeReflected,
  withAttributes,
  withCustomValidity,
  withType,
  withValue,
} from '../standard/control-state';
import { type Deviations, noDeviations } from '../standard/deviations';
import { constraintsInGroup, radioGroupOf, settledRadios } from '../standard/radio-group';
import type { ValidityAnswer, ValidityQuestion } from './validity-question';

/** @returns null when the markup has no form control with the id `t`. */
export function answerValidity(
  question: ValidityQuestion,
  deviations: Deviations = noDeviations,
): ValidityAnswer | null {
  const page = settledRadios(
    pageOf(question.html).controls.map((control) => parsedState(control, deviations)),
  );
  const parsed = page.find(({ attributes }) => attributes.id === 't');
  if (!parsed) return null;
  const group = radioGroupOf(parsed, page);
  const { state, threw } = afterwards(parsed, question, deviations);
  const { flags, willValidate } = validityOf(constraintsInGroup(state, group, deviations), deviations);
  return {
    typeReflected: typeReflected(state),
    value: idlValueOf(state),
    valid: flags.length === 0,
    flags,
    willValidate,
    ...((state.kind === 'checkbox' || state.kind === 'radio') && { checked: state.checked }),
    ...(threw && { threw }),
  };
}

function afterwards(
  parsed: ControlState,
  { setValue, thenType, thenAttrs, custom }: ValidityQuestion,
  deviations: Deviations,
): { state: ControlState; threw?: string } {
  let state = parsed;
  if (setValue !== null) {
    const set = withValue(state, setValue, deviations);
    if (set === 'InvalidStateError') return { state, threw: set };
    state = set;
  }
  if (thenType !== undefined) state = withType(state, thenType, deviations);
  if (thenAttrs) state = withAttributes(state, thenAttrs, deviations);
  if (custom !== undefined) state = withCustomValidity(state, custom);
  return { state };
}
