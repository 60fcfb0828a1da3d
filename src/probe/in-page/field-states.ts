import type { ChosenFile } from '@/core/standard/entry-list';
import type { ProbeApi, ProbeField } from '../api/probe-api';
import { change, changeBack } from './changed-attributes';
import { focusedElement } from './composed-tree';
import { domMembers } from './dom-members';
import { boxOf } from './field-boxes';
import { controlsOf, isCheckable } from './field-controls';
import { controls, formsUnderTest, type Listed } from './form-under-test';
import { isEditable, isWidget } from './page-fields';
import { closeSending } from './sending';

export function reset(): void {
  // Before anything else: a change of a field that shows a bubble would show it again.
  blur();
  changeBack();
  closeSending();
  contentBack();
  for (const form of formsUnderTest()) domMembers(form).reset();
  for (const control of controls()) {
    if (!control || ('form' in control && control.form)) continue;
    if (isCheckable(control)) control.checked = control.defaultChecked;
    else if (control instanceof HTMLInputElement && control.type !== 'file')
      control.value = control.defaultValue;
    else if (control instanceof HTMLTextAreaElement) control.value = control.defaultValue;
  }
  blur();
}

export function blur(): void {
  const focused = focusedElement();
  if (focused instanceof HTMLElement) focused.blur();
  window.scrollTo(0, 0);
}

/** Content of widgets as it was before a script wrote into them. */
const written = new Map<HTMLElement, string>();

/** As a script does that knows of editable content and nothing of the page's own scripts. */
function writeInto(widget: HTMLElement, text: string): void {
  if (!isEditable(widget)) return;
  if (!written.has(widget)) written.set(widget, widget.innerHTML);
  widget.textContent = text;
}

function contentBack(): void {
  for (const [widget, content] of written) widget.innerHTML = content;
  written.clear();
}

export function fill(fields: readonly ProbeField[], values: readonly (string | null)[]): void {
  const all = controls();
  fields.forEach((field, index) => {
    const value = values[index];
    if (value === null || value === undefined) return;
    const [first, ...rest] = controlsOf(field, all);
    if (!first) return;
    if (isWidget(first)) writeInto(first, value);
    else if (isCheckable(first)) {
      for (const other of rest) if (isCheckable(other)) other.checked = false;
      first.checked = value !== '';
    } else if (first instanceof HTMLInputElement && first.type === 'file') first.value = '';
    else if (first instanceof HTMLProgressElement || first instanceof HTMLMeterElement)
      change(first, 'value', value === '' ? null : value);
    else (first as { value: string | number }).value = value;
  });
}

export function chooseFiles(fields: readonly ProbeField[], files: readonly (readonly ChosenFile[])[]): void {
  fields.forEach((field, index) => {
    const [first] = controlsOf(field);
    if (!(first instanceof HTMLInputElement) || first.type !== 'file') return;
    const chosen = new DataTransfer();
    for (const { name, type, content } of files[index] ?? [])
      chosen.items.add(new File([Uint8Array.from(content, (c) => c.charCodeAt(0))], name, { type }));
    first.files = chosen.files;
  });
}

export function disable(fields: readonly ProbeField[]): void {
  const all = controls();
  for (const field of fields)
    for (const control of controlsOf(field, all))
      if (!isDisplayOnly(control)) change(control, 'disabled', '');
}

function isDisplayOnly(element: Listed): boolean {
  return (
    element instanceof HTMLOutputElement ||
    element instanceof HTMLMeterElement ||
    element instanceof HTMLProgressElement
  );
}

const limitAttributes = ['min', 'max', 'step', 'minlength', 'maxlength'];

export function sizesWithoutLimits(
  fields: readonly ProbeField[],
): ReturnType<ProbeApi['sizesWithoutLimits']> {
  const all = controls();
  const firsts = fields.map((field) => controlsOf(field, all)[0]);
  const limited = firsts.map((element) => limitAttributes.some((name) => element?.hasAttribute(name)));
  for (const element of firsts)
    for (const name of limitAttributes) if (element?.hasAttribute(name)) change(element, name, null);
  const sizes = firsts.map((element, index) => {
    const box = element && limited[index] ? boxOf(element) : null;
    return box && { width: box.width, height: box.height };
  });
  changeBack();
  return sizes;
}
