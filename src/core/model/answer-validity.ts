import { pageOf } from '../form/page-controls';
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
import { constraintsInGroup, radioGroupOf, settledRadios } from '../standard/radio-group';
import { standardWays, type Ways } from '../standard/ways';
import type { ValidityAnswer, ValidityQuestion } from './validity-question';

/** @returns null when the markup has no form control with the id `t`. */
export function answerValidity(question: ValidityQuestion, ways: Ways = standardWays): ValidityAnswer | null {
  const page = settledRadios(pageOf(question.html).controls.map((control) => parsedState(control, ways)));
  const parsed = page.find(({ attributes }) => attributes.id === 't');
  if (!parsed) return null;
  const group = radioGroupOf(parsed, page);
  const { state, threw } = afterwards(parsed, question, ways);
  const { flags, willValidate } = validityOf(constraintsInGroup(state, group, ways), ways);
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
  ways: Ways,
): { state: ControlState; threw?: string } {
  let state = parsed;
  if (setValue !== null) {
    const set = withValue(state, setValue, ways);
    if (set === 'InvalidStateError') return { state, threw: set };
    state = set;
  }
  if (thenType !== undefined) state = withType(state, thenType, ways);
  if (thenAttrs) state = withAttributes(state, thenAttrs, ways);
  if (custom !== undefined) state = withCustomValidity(state, custom);
  return { state };
}
