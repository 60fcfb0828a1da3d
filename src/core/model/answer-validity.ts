import type { Control } from '../form/field';
import { elementsOf, parseMarkup } from '../form/parse-markup';
import { controlsIn } from '../form/read-form';
import { validityOf } from '../standard/constraint-validation';
import {
  type ControlState,
  constraintsOf,
  idlValueOf,
  parsedState,
  withAttributes,
  withCustomValidity,
  withType,
  withValue,
} from '../standard/control-state';
import { standardWays, type Ways } from '../standard/ways';
import type { ValidityAnswer, ValidityQuestion } from './validity-question';

/** @returns null when the markup has no form control with the id `t`. */
export function answerValidity(question: ValidityQuestion, ways: Ways = standardWays): ValidityAnswer | null {
  const page = controlsOf(question.html).map((control) => parsedState(control, ways));
  const parsed = page.find(({ attributes }) => attributes.id === 't');
  if (!parsed) return null;
  const group = radioGroupOf(parsed, page);
  const { state, threw } = afterwards(inGroup(parsed, group), question, ways);
  const constraints = constraintsOf(state, ways);
  const { flags, willValidate } = validityOf(
    state.kind === 'radio' && group.length > 0
      ? {
          ...constraints,
          required: group.some(({ attributes }) => 'required' in attributes),
          checked: group.some(({ checked }) => checked),
        }
      : constraints,
    ways,
  );
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

/** HTML Standard, "Radio Button state": the radio button group that contains it, itself included; empty without a name. */
function radioGroupOf(own: ControlState, page: readonly ControlState[]): ControlState[] {
  const { name } = own.attributes;
  if (own.kind !== 'radio' || !name) return [];
  return page.filter(
    (other) =>
      other.kind === 'radio' && other.attributes.name === name && other.control.form === own.control.form,
  );
}

/** Of several that are checked in the markup, the last one stays so. */
function inGroup(own: ControlState, group: readonly ControlState[]): ControlState {
  const last = group.findLast(({ checked }) => checked);
  return last && last !== own ? { ...own, checked: false } : own;
}

const pages = new Map<string, Control[]>();
const pagesKept = 2000;

/** The controls of a page; the same markup is asked about again and again. */
function controlsOf(html: string): Control[] {
  const known = pages.get(html);
  if (known) return known;
  const elements = [...elementsOf(parseMarkup(html).document)];
  const controls = controlsIn(elements).map(({ control }) => control);
  if (pages.size >= pagesKept) pages.clear();
  pages.set(html, controls);
  return controls;
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

/** What `type` reflects (HTML Standard, "The input element", "The select element" and others). */
function typeReflected({ control, kind, attributes }: ControlState): string {
  if (control.element === 'select') return 'multiple' in attributes ? 'select-multiple' : 'select-one';
  return control.element === 'meter' || control.element === 'progress' ? '' : kind;
}
