import type { ChosenFile } from '@/core/standard/entry-list';
import { validityFlags } from '@/core/standard/validity-flags';
import { inDocument, union } from '../api/box';
import type { Box, FieldFacts, ProbeApi, ProbeField } from '../api/probe-api';
import { catchRequests, takeCaught } from './caught-requests';
import { focusedElement } from './composed-tree';
import { markBoxesOf, marksOf, pseudoClassesOf, textContrast } from './computed-facts';
import { domMembers } from './dom-members';
import { entriesOf, withoutEntries } from './entry-list';
import { choose, controls, countOfControls, formsUnderTest, isOwn, type Listed } from './form-under-test';
import { heldBack, pageNow } from './held-back';
import { overlays } from './overlays';
import { formsHere } from './own-forms';
import { doableHere, doStep } from './page-step';
import { plannedPage } from './planned-page';
import { Recorder, type TypedElement } from './recorder';
import { strike } from './script-made-strokes';
import { allowedByPolicy, closeSending, letAllOut, letThrough, watchSending, whatBlocked } from './sending';
import { drawnIn, standInOf } from './stand-in';
import { textShownBy } from './text-shown';
import { validityInPage } from './validity-in-page';
import { requestsMade, watchRequests } from './watched-requests';

function controlsOf(field: ProbeField, all: readonly (Listed | null)[] = controls()): Listed[] {
  return field.ordinals.flatMap((ordinal) => all[ordinal] ?? []);
}

function isCheckable(element: Listed): element is HTMLInputElement {
  return element instanceof HTMLInputElement && (element.type === 'checkbox' || element.type === 'radio');
}

/** Scroll bars that come and go over the page would pass for something that opened; scripts and focus scroll it all the same. */
const settled =
  '*,::before,::after{caret-color:transparent!important;transition:none!important;animation:none!important}html{overflow:hidden!important;scroll-behavior:auto!important}';

function settle(): void {
  const style = domMembers(document).createElement('style');
  style.textContent = settled;
  domMembers(document).head.append(style);
  watchSending(controls);
}

/** Attributes that were changed for a question, with what they were. */
let changed: { element: Element; name: string; value: string | null }[] = [];

function change(element: Element, name: string, value: string | null): void {
  changed.push({ element, name, value: domMembers(element).getAttribute(name) });
  putAttribute(element, name, value);
}

function putAttribute(element: Element, name: string, value: string | null): void {
  const own = domMembers(element);
  if (value === null) own.removeAttribute(name);
  else own.setAttribute(name, value);
}

function changeBack(): void {
  for (const { element, name, value } of changed.reverse()) putAttribute(element, name, value);
  changed = [];
}

/** Styles and scripts look for ids of their own, so that a new one changes nothing. */
function idsFor(fields: readonly ProbeField[]): (string | null)[] {
  const all = controls();
  const times = new Map<string, number>();
  for (const { id } of document.querySelectorAll('[id]')) times.set(id, (times.get(id) ?? 0) + 1);
  return fields.map((field) => {
    const [control] = controlsOf(field, all);
    if (!control) return null;
    const own = domMembers(control).getAttribute('id');
    if (own && times.get(own) === 1) return own;
    const id = `ukko-control-${field.ordinals[0]}`;
    change(control, 'id', id);
    return id;
  });
}

function reset(): void {
  // Before anything else: a change of a field that shows a bubble would show it again.
  blur();
  changeBack();
  closeSending();
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

function blur(): void {
  const focused = focusedElement();
  if (focused instanceof HTMLElement) focused.blur();
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
    else if (first instanceof HTMLProgressElement || first instanceof HTMLMeterElement)
      change(first, 'value', value === '' ? null : value);
    else (first as { value: string | number }).value = value;
  });
}

function chooseFiles(fields: readonly ProbeField[], files: readonly (readonly ChosenFile[])[]): void {
  fields.forEach((field, index) => {
    const [first] = controlsOf(field);
    if (!(first instanceof HTMLInputElement) || first.type !== 'file') return;
    const chosen = new DataTransfer();
    for (const { name, type, content } of files[index] ?? [])
      chosen.items.add(new File([Uint8Array.from(content, (c) => c.charCodeAt(0))], name, { type }));
    first.files = chosen.files;
  });
}

function sendByScript(control: ProbeField, method: 'requestSubmit' | 'submit'): void {
  const [element] = controlsOf(control);
  const form = element && 'form' in element ? (element as HTMLButtonElement).form : null;
  try {
    if (form) domMembers(form)[method]();
  } catch {
    // Gecko throws where the page's policy is in the way, and tells of that later. Nothing else throws here.
  }
}

function attemptToSend(): void {
  for (const form of formsUnderTest()) {
    const own = domMembers(form);
    const wasOff = own.noValidate;
    own.noValidate = false;
    own.requestSubmit();
    own.noValidate = wasOff;
  }
  blur();
}

function focus(field: ProbeField): boolean {
  const [first] = controlsOf(field);
  first?.focus({ preventScroll: true });
  return focusedElement() === first;
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
  return aligned(fields).map(describeField);
}

/** The controls of each field, on whole CSS px. */
function aligned(fields: readonly ProbeField[]): Listed[][] {
  const all = controls();
  const members = fields.map((field) => controlsOf(field, all));
  alignToPixels(members.flat());
  return members;
}

function disable(fields: readonly ProbeField[]): void {
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

let overlay: HTMLStyleElement | null = null;

function restyle(css: string | null): void {
  overlay?.remove();
  overlay = null;
  if (css === null) return;
  overlay = domMembers(document).createElement('style');
  overlay.textContent = css;
  domMembers(document).head.append(overlay);
}

const limitAttributes = ['min', 'max', 'step', 'minlength', 'maxlength'];

function sizesWithoutLimits(fields: readonly ProbeField[]): ReturnType<ProbeApi['sizesWithoutLimits']> {
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

function bringIntoSight(field: ProbeField): Box | null {
  const members = controlsOf(field);
  const [first] = members;
  if (first) shownFor(first).scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
  // Between two pixels, focus would scroll the page by a fraction, and all of it would change.
  window.scrollTo(Math.round(window.scrollX), Math.round(window.scrollY));
  return placeInViewport(field);
}

function placeInViewport(field: ProbeField): Box | null {
  const box = controlBoxOf(controlsOf(field));
  return box && { ...box, x: box.x - window.scrollX, y: box.y - window.scrollY };
}

function insideInViewport(field: ProbeField): Box | null {
  const [first] = controlsOf(field);
  const box = placeInViewport({ ...field, ordinals: field.ordinals.slice(0, 1) });
  if (!first || !box) return null;
  const style = getComputedStyle(shownFor(first));
  const taken = (side: 'Left' | 'Right' | 'Top' | 'Bottom') =>
    Number.parseFloat(style[`border${side}Width`]) + Number.parseFloat(style[`padding${side}`]);
  return {
    x: box.x + taken('Left'),
    y: box.y + taken('Top'),
    width: box.width - taken('Left') - taken('Right'),
    height: box.height - taken('Top') - taken('Bottom'),
  };
}

function report(field: ProbeField, withTitle: boolean): void {
  const [first] = controlsOf(field);
  if (!first || !('reportValidity' in first)) return;
  if (!withTitle) change(first, 'title', null);
  first.reportValidity();
  keepDrawing(30);
}

/** An engine that has nothing to draw waits with a bubble until it has; frames are asked for until it came. */
function keepDrawing(frames: number): void {
  if (frames > 0) requestAnimationFrame(() => keepDrawing(frames - 1));
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
  if (!first || !('form' in first) || !('name' in first) || !first.form) return [];
  const { form } = first;
  const isSubmit = 'type' in first && (first.type === 'submit' || first.type === 'image');
  const submitter = isSubmit && !(first as HTMLButtonElement).disabled ? first : null;
  const names = [first.name, first.getAttribute('dirname')].filter((name): name is string => Boolean(name));
  const shared = Array.from(domMembers(form).elements).filter(
    (other) => other.getAttribute('name') === first.name && !members.includes(other as Listed),
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

function shownFor(control: Element): Element {
  return standInOf(control) ?? control;
}

function boxOf(control: Element): Box | null {
  const standIn = standInOf(control);
  if (standIn) return union(drawnIn(standIn).map(inDocument));
  const box = control.getBoundingClientRect();
  return box.width === 0 && box.height === 0 ? null : inDocument(box);
}

function controlBoxOf(members: readonly Listed[]): Box | null {
  return union(members.flatMap((control) => boxOf(control) ?? []));
}

let remembered: ReadonlySet<Element> = new Set();
let before: ReturnType<typeof pageNow> | null = null;
let recorder: Recorder | null = null;

/** The questions that a page under test answers about itself. */
export const probedPage: ProbeApi = {
  settle,
  reset,
  fill,
  chooseFiles,
  sendByScript,
  attemptToSend,
  focus,
  describe,
  controlBoxes: (fields) => aligned(fields).map(controlBoxOf),
  textsShown: (fields) => aligned(fields).map(([first]) => (first ? textShownBy(first) : null)),
  valueOf: (field) => currentValueOf(controlsOf(field)),
  disable,
  restyle,
  sizesWithoutLimits,
  bringIntoSight,
  placeInViewport,
  insideInViewport,
  rememberPage() {
    before = pageNow();
  },
  heldBack: () => heldBack(before ?? pageNow(), controls()),
  rememberOverlays() {
    remembered = overlays();
  },
  overlayCame: () => [...overlays()].some((one) => !remembered.has(one)),
  report,
  mayBeSent: (button, receiver) => letThrough(controlsOf(button)[0], receiver, change),
  within(form, signs) {
    choose(form, signs);
    catchRequests();
  },
  withinForReal(form, signs) {
    choose(form, signs);
    watchRequests();
    letAllOut();
  },
  requestsMade,
  formsHere,
  controlsIn: countOfControls,
  hasFocus: (field) => controlsOf(field).some((control) => control === focusedElement()),
  idsFor,
  controlAt: (ordinal) => controls()[ordinal] ?? null,
  doableHere,
  doStep,
  caught: takeCaught,
  whatBlocked,
  allowedByPolicy,
  ...plannedPage,
  speaksRightToLeft: () => /^(ar|fa|he|ur)\b/.test(navigator.language),
  readsRightToLeft: () => getComputedStyle(domMembers(document).documentElement).direction === 'rtl',
  documentSize: () => ({
    width: domMembers(document).documentElement.scrollWidth,
    height: domMembers(document).documentElement.scrollHeight,
  }),
  beginTyping(field, guards, focusFirst) {
    recorder?.stop();
    const element = controlsOf(field)[0] as TypedElement | undefined;
    if (!element) throw new Error('The field is not in the page.');
    recorder = new Recorder(element, field.kind, guards, isOwn());
    if (focusFirst) element.focus();
  },
  validity: validityInPage,
  takeTyped() {
    if (!recorder) throw new Error('Nothing is being typed.');
    return recorder.take();
  },
  strike(stroke) {
    if (recorder && stroke.kind === 'focus') recorder.element.focus();
    else if (recorder) strike(recorder.element, stroke);
  },
  select(field, start, end) {
    const [element] = controlsOf(field) as (TypedElement | undefined)[];
    if (!element || !('selectionStart' in element) || element.selectionStart === null) return false;
    element.setSelectionRange(start, end);
    return true;
  },
  leave(field) {
    controlsOf(field)[0]?.blur();
  },
  endTyping() {
    recorder?.stop();
    recorder = null;
    reset();
  },
};
