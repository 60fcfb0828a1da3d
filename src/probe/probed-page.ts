import { controlSelector } from '@/core/form/field';
import { validityFlags } from '@/core/standard/constraint-validation';
import type { Box, FieldFacts, ProbeApi, ProbeField } from './probe-api';
import { Recorder, type TypedElement } from './recorder';
import { strike } from './script-made-strokes';

type Listed =
  | HTMLInputElement
  | HTMLSelectElement
  | HTMLTextAreaElement
  | HTMLButtonElement
  | HTMLOutputElement
  | HTMLMeterElement
  | HTMLProgressElement;

function controls(): Listed[] {
  return Array.from(document.querySelectorAll<Listed>(controlSelector));
}

function controlsOf(field: ProbeField, all: readonly Listed[] = controls()): Listed[] {
  return field.ordinals.flatMap((ordinal) => all[ordinal] ?? []);
}

function isCheckable(element: Listed): element is HTMLInputElement {
  return element instanceof HTMLInputElement && (element.type === 'checkbox' || element.type === 'radio');
}

const settled =
  '*,::before,::after{caret-color:transparent!important;transition:none!important;animation:none!important}';

function settle(): void {
  const style = document.createElement('style');
  style.textContent = settled;
  document.head.append(style);
  // Nothing may leave the page, whatever is pressed.
  window.addEventListener('submit', (event) => event.preventDefault(), { capture: true });
}

function reset(): void {
  for (const form of document.forms) HTMLFormElement.prototype.reset.call(form);
  for (const control of controls()) {
    if ('form' in control && control.form) continue;
    if (isCheckable(control)) control.checked = control.defaultChecked;
    else if (control instanceof HTMLInputElement && control.type !== 'file')
      control.value = control.defaultValue;
    else if (control instanceof HTMLTextAreaElement) control.value = control.defaultValue;
  }
  blur();
}

function blur(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  window.scrollTo(0, 0);
}

function fill(fields: readonly ProbeField[], values: readonly (string | null)[]): void {
  const all = controls();
  fields.forEach((field, index) => {
    const value = values[index];
    if (value === null || value === undefined) return;
    const [first, ...rest] = controlsOf(field, all);
    if (!first) return;
    if (isCheckable(first)) {
      for (const other of rest) if (isCheckable(other)) other.checked = false;
      first.checked = value !== '';
    } else if (first instanceof HTMLInputElement && first.type === 'file') first.value = '';
    else (first as { value: string | number }).value = value;
  });
}

function attemptToSend(): void {
  for (const form of document.forms) {
    const wasOff = form.noValidate;
    form.noValidate = false;
    HTMLFormElement.prototype.requestSubmit.call(form);
    form.noValidate = wasOff;
  }
  blur();
}

function focus(field: ProbeField): boolean {
  const [first] = controlsOf(field);
  first?.focus({ preventScroll: true });
  return document.activeElement === first;
}

/** Controls that were moved, so that they can be put back before they are measured again. */
const moved = new Set<Listed>();

/**
 * Moves controls by less than one CSS px onto whole ones. Where a field happens to stand between two pixels decides
 * how its edges are smoothed; that would make two pictures of the same control differ. Only controls in the normal
 * flow are moved: the others have a place of the author's own.
 */
function alignToPixels(elements: readonly Listed[]): void {
  for (const element of moved)
    for (const name of ['position', 'left', 'top']) element.style.removeProperty(name);
  moved.clear();
  const offsets = elements.map((element) => {
    const { x, y } = element.getBoundingClientRect();
    const [left, top] = [x + window.scrollX, y + window.scrollY];
    return { element, left: Math.round(left) - left, top: Math.round(top) - top };
  });
  for (const { element, left, top } of offsets) {
    if ((left === 0 && top === 0) || getComputedStyle(element).position !== 'static') continue;
    element.style.position = 'relative';
    element.style.left = `${left}px`;
    element.style.top = `${top}px`;
    moved.add(element);
  }
}

function describe(fields: readonly ProbeField[]): FieldFacts[] {
  const all = controls();
  alignToPixels(fields.flatMap((field) => controlsOf(field, all)));
  return fields.map((field) => describeField(controlsOf(field, all)));
}

function describeField(members: readonly Listed[]): FieldFacts {
  const [first] = members;
  const boxes = members.flatMap((control) => boxOf(control) ?? []);
  const size = first ? boxOf(first) : null;
  return {
    typeReflected: first && 'type' in first ? first.type : '',
    box: union(boxes),
    size: size && { width: size.width, height: size.height },
    value: currentValueOf(members),
    ...validityFacts(members),
  };
}

function currentValueOf(members: readonly Listed[]): string {
  const [first] = members;
  if (!first) return '';
  if (isCheckable(first)) {
    const checked = members.find((member) => isCheckable(member) && member.checked);
    return checked ? String(checked.value) : '';
  }
  return String(first.value);
}

function validityFacts(members: readonly Listed[]): Pick<FieldFacts, 'willValidate' | 'flags' | 'message'> {
  const [first] = members;
  if (!first || !('validity' in first)) return { willValidate: false, flags: [], message: '' };
  return {
    willValidate: first.willValidate,
    flags: validityFlags.filter((flag) => first.validity[flag]),
    message: first.validationMessage,
  };
}

function boxOf(control: Element): Box | null {
  const box = control.getBoundingClientRect();
  if (box.width === 0 && box.height === 0) return null;
  return { x: box.x + window.scrollX, y: box.y + window.scrollY, width: box.width, height: box.height };
}

function union(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((b) => b.x + b.width)) - x,
    height: Math.max(...boxes.map((b) => b.y + b.height)) - y,
  };
}

let recorder: Recorder | null = null;

/** The questions that a page under test answers about itself. */
export const probedPage: ProbeApi = {
  settle,
  reset,
  fill,
  attemptToSend,
  focus,
  describe,
  documentSize: () => ({
    width: document.documentElement.scrollWidth,
    height: document.documentElement.scrollHeight,
  }),
  beginTyping(field, guards) {
    recorder?.stop();
    const element = controlsOf(field)[0] as TypedElement | undefined;
    if (!element) throw new Error('The field is not in the page.');
    recorder = new Recorder(element, field.kind, guards);
    element.focus();
  },
  takeTyped() {
    if (!recorder) throw new Error('Nothing is being typed.');
    return recorder.take();
  },
  strike(key) {
    if (recorder) strike(recorder.element, key);
  },
  endTyping() {
    recorder?.stop();
    recorder = null;
    reset();
  },
};
