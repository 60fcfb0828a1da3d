import { validityFlags } from '@/core/standard/validity-flags';
import { inDocument, union } from '../api/box';
import type { FieldFacts, ProbeField } from '../api/probe-api';
import { markBoxesOf, marksOf, pseudoClassesOf, textContrast } from './computed-facts';
import { domMembers } from './dom-members';
import { entriesOf, withoutEntries } from './entry-list';
import { aligned, boxOf, controlBoxOf } from './field-boxes';
import { isCheckable } from './field-controls';
import { formAssociatedHost, formOf, nameOf } from './form-associated-host';
import type { Listed } from './form-under-test';
import { isWidget, widgetValue } from './page-fields';
import { standInOf } from './stand-in';

export function describe(fields: readonly ProbeField[]): FieldFacts[] {
  return aligned(fields).map(describeField);
}

function describeField(members: readonly Listed[]): FieldFacts {
  const [first] = members;
  const controlBox = controlBoxOf(members);
  const size = first ? boxOf(first) : null;
  return {
    isThere: first !== undefined,
    typeReflected: first && 'type' in first ? first.type : '',
    box: controlBox && first ? union([controlBox, ...markBoxesOf(first).map(inDocument)]) : null,
    size: size && { width: size.width, height: size.height },
    value: currentValueOf(members),
    ...validityFacts(members),
    sent: sentBy(members),
    font: first ? fontOf(first) : null,
    contrast: first ? textContrast(first) : null,
    pseudoClasses: first ? pseudoClassesOf(first) : [],
    marks: first ? marksOf(first) : [],
    isDrawnByLabel: first ? standInOf(first) !== null : false,
  };
}

function fontOf(element: Element): string {
  const { fontSize, fontFamily } = getComputedStyle(element);
  return `${fontSize} ${fontFamily}`;
}

/**
 * The entries of the field in its form's entry list (HTML Standard, "Constructing the entry list"): what is there with
 * it and not without it. A button sends only when it is the one that is pressed.
 */
function sentBy(members: readonly Listed[]): string[] {
  const [first] = members;
  const form = first ? formOf(first) : null;
  if (!first || !form || !('name' in first || formAssociatedHost(first))) return [];
  const name = nameOf(first);
  const isSubmit = 'type' in first && (first.type === 'submit' || first.type === 'image');
  const submitter = isSubmit && !(first as HTMLButtonElement).disabled ? first : null;
  const names = [name, first.getAttribute('dirname')].filter((one): one is string => Boolean(one));
  const shared = Array.from(domMembers(form).elements).filter(
    (other) =>
      other.getAttribute('name') === name &&
      other !== formAssociatedHost(first) &&
      !members.includes(other as Listed),
  );
  return withoutEntries(entriesOf(form, submitter, names), sentByThemselves(shared));
}

/** What other controls of the same name send by themselves. */
function sentByThemselves(elements: readonly Element[]): string[] {
  return elements.flatMap((element) => {
    const control = element as HTMLInputElement;
    const silent = control.disabled || ['submit', 'image', 'button', 'reset'].includes(control.type);
    const off = ['checkbox', 'radio'].includes(control.type) && !control.checked;
    return silent || off ? [] : [`${control.name}=${control.value}`];
  });
}

export function currentValueOf(members: readonly Listed[]): string {
  const [first] = members;
  if (!first) return '';
  if (isWidget(first)) return widgetValue(first);
  if (isCheckable(first)) {
    const checked = members.find((member) => isCheckable(member) && member.checked);
    return checked ? String(checked.value) : '';
  }
  return String(first.value);
}

function validityFacts(members: readonly Listed[]): Pick<FieldFacts, 'willValidate' | 'flags' | 'message'> {
  const [first] = members;
  const host = first && formAssociatedHost(first);
  if (host) return validityOfHost(host);
  if (!first || !('validity' in first)) return { willValidate: false, flags: [], message: '' };
  return {
    willValidate: first.willValidate,
    flags: validityFlags.filter((flag) => first.validity[flag]),
    message: first.validationMessage,
  };
}

/** Most such elements hand out what their internals say; of one that does not, only that it is valid or not can be told. */
function validityOfHost(host: HTMLElement): Pick<FieldFacts, 'willValidate' | 'flags' | 'message'> {
  const { validity, validationMessage } = host as Partial<HTMLInputElement>;
  const own = domMembers(host);
  const willValidate = own.matches(':valid,:invalid');
  const told = validity instanceof ValidityState ? validityFlags.filter((flag) => validity[flag]) : [];
  const flags = told.length === 0 && own.matches(':invalid') ? (['customError'] as const) : told;
  return { willValidate, flags, message: typeof validationMessage === 'string' ? validationMessage : '' };
}
