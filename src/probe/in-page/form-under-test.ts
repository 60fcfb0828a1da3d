import type { ControlSign } from '../api/probe-api';
import { domMembers } from './dom-members';
import { nameOf } from './form-associated-host';
import { ownForms } from './own-forms';
import { composedFields, fieldsOfDocument, isWidget } from './page-fields';
import { samePlaces } from './same-controls';

export type Listed =
  | HTMLInputElement
  | HTMLSelectElement
  | HTMLTextAreaElement
  | HTMLButtonElement
  | HTMLOutputElement
  | HTMLMeterElement
  | HTMLProgressElement;

/** The form under test where that is one of the page's own; null: the page is made for the form, and all of it is. */
let own: OwnForm | null = null;

interface OwnForm {
  /** Its place among the page's forms. */
  readonly place: number;
  /** Of its controls as they were read, and as they are called since they were first looked at. */
  signs: readonly (ControlSign | null)[];
  /** As it was when it was first looked at. */
  element: Element | null;
  /** What was found at each place of what was read, null where nothing was; and then what was not read. */
  found: readonly (Listed | null)[];
}

/** Makes one of the page's own forms the form under test. */
export function choose(place: number, signs: readonly (ControlSign | null)[]): void {
  own = { place, signs, element: null, found: [] };
}

/** Whether the form under test is one of the page's own. */
export function isOwn(): boolean {
  return own !== null;
}

export function formsUnderTest(): HTMLFormElement[] {
  if (!own) return Array.from(domMembers(document).forms);
  const form = chosenForm(own);
  return form instanceof HTMLFormElement ? [form] : [];
}

/** In the order in which they were read: what comes and goes must not shift the others, and what a framework drew anew is the same. */
export function controls(): readonly (Listed | null)[] {
  if (!own) return fieldsOfDocument() as Listed[];
  const { found, signs } = own;
  const isFirst = found.length === 0;
  if (!isFirst && found.every((control) => control?.isConnected)) return found;
  const now = controlsOfForm(chosenForm(own));
  const places = samePlaces(signs, now.map(signOf), isFirst ? 'by place' : 'not found');
  const kept = new Set(found.filter((control) => control?.isConnected));
  const read = places.map((place, index) => {
    const before = found[index];
    if (before?.isConnected) return before;
    const control = place === null ? null : (now[place] ?? null);
    return control && !kept.has(control) ? control : null;
  });
  const known = new Set(read);
  own.found = [...read, ...now.filter((control) => !known.has(control))];
  // What is drawn anew from now on is called as it is called now.
  if (isFirst)
    own.signs = own.found.map((control, index) => (control ? signOf(control) : (signs[index] ?? null)));
  return own.found;
}

/** How many controls the form has now that was read at this place. */
export function countOfControls(place: number, signs: readonly (ControlSign | null)[]): number {
  return controlsOfForm(formThatWasRead(place, signs)).length;
}

function chosenForm(own: OwnForm): Element | null {
  if (!own.element?.isConnected) own.element = formThatWasRead(own.place, own.signs);
  return own.element;
}

/** The form with most of the controls that were read: at its place, or elsewhere when others came before it. */
function formThatWasRead(place: number, signs: readonly (ControlSign | null)[]): Element | null {
  const forms = ownForms();
  const alike = forms.map((form) => {
    const now = controlsOfForm(form).map(signOf);
    return samePlaces(signs, now, 'not found').filter((one) => one !== null).length;
  });
  const most = Math.max(0, ...alike);
  return (alike[place] === most ? forms[place] : forms[alike.indexOf(most)]) ?? null;
}

function controlsOfForm(form: Element | null): Listed[] {
  return form ? (composedFields(form) as Listed[]) : [];
}

function signOf(control: Element): ControlSign {
  const members = domMembers(control);
  return {
    element: isWidget(control) ? 'widget' : members.localName,
    name: nameOf(control),
    type: members.getAttribute('type') ?? '',
  };
}
