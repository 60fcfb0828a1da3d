import type { ValidityAnswer, ValidityQuestion } from '@/core/model/validity-question';
import { validityFlags } from '@/core/standard/validity-flags';
import { domMembers } from './dom-members';

/** Answers questions about validity in this very page, one after the other, by doing what they say. */
export function validityInPage(questions: readonly ValidityQuestion[]): ValidityAnswer[] {
  const place = domMembers(document).createElement('div');
  domMembers(document).body.append(place);
  const answers = questions.map((question) => answerIn(place, question));
  place.remove();
  return answers;
}

type Asked = HTMLInputElement;

function answerIn(place: Element, question: ValidityQuestion): ValidityAnswer {
  place.innerHTML = question.html;
  const element = place.querySelector('#t') as Asked | null;
  if (!element) throw new Error(`Nothing has the id t in ${question.html}`);
  const threw = doAll(element, question);
  const { type, value, validity, willValidate } = element;
  return {
    typeReflected: type ?? '',
    value: value === undefined ? '' : String(value),
    valid: validity?.valid ?? true,
    flags: validityFlags.filter((flag) => validity?.[flag]),
    willValidate: willValidate ?? false,
    ...((type === 'checkbox' || type === 'radio') && { checked: element.checked }),
    ...(threw && { threw }),
  };
}

function doAll(element: Asked, { setValue, thenType, thenAttrs, custom }: ValidityQuestion): string | null {
  try {
    if (setValue !== null) element.value = setValue;
    if (thenType !== undefined) element.type = thenType;
    for (const [name, value] of Object.entries(thenAttrs ?? {})) element.setAttribute(name, value);
    if (custom !== undefined) element.setCustomValidity(custom);
    return null;
  } catch (error) {
    return error instanceof Error ? error.name : 'Error';
  }
}
