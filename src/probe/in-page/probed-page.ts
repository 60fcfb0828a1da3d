import type { ProbeApi, ProbeField } from '../api/probe-api';
import { catchRequests, takeCaught } from './caught-requests';
import { change, idsFor } from './changed-attributes';
import { focusedElement } from './composed-tree';
import { currentValueOf, describe } from './described-fields';
import { domMembers } from './dom-members';
import { entryStateOf } from './entry-state';
import {
  aligned,
  bringIntoSight,
  controlBoxOf,
  documentBox,
  insideInViewport,
  placeInViewport,
  placesInViewport,
} from './field-boxes';
import { controlsOf } from './field-controls';
import { blur, chooseFiles, disable, fill, reset, sizesWithoutLimits } from './field-states';
import { fieldsInSight, ownName } from './fields-that-came';
import { choose, controls, countOfControls, formsUnderTest, isOwn } from './form-under-test';
import { heldBack, pageNow } from './held-back';
import { overlays } from './overlays';
import { formsHere } from './own-forms';
import { focusPlaceOf, hasFocus } from './page-fields';
import { doableHere, doStep } from './page-step';
import { plannedPage } from './planned-page';
import { isQuiet, waitForQuiet, watchForQuiet } from './quiet';
import { Recorder, type TypedElement } from './recorder';
import { strike } from './script-made-strokes';
import { allowedByPolicy, letAllOut, letThrough, watchSending, whatBlocked } from './sending';
import { surroundings } from './surroundings';
import { textShownBy } from './text-shown';
import { validityInPage } from './validity-in-page';
import { requestsMade, watchRequests } from './watched-requests';

/** Scroll bars that come and go over the page would pass for something that opened; scripts and focus scroll it all the same. */
const settled =
  '*,::before,::after{caret-color:transparent!important;transition:none!important;animation:none!important}html{overflow:hidden!important;scroll-behavior:auto!important}';

function settle(): void {
  const style = domMembers(document).createElement('style');
  style.textContent = settled;
  domMembers(document).head.append(style);
  watchSending(controls);
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
  if (!first) return false;
  const place = focusPlaceOf(first);
  place.focus({ preventScroll: true });
  return focusedElement() === place;
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

let remembered: ReadonlySet<Element> = new Set();
let inSight: ReadonlySet<Element> = new Set();
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
  surroundings,
  controlBoxes: (fields) => aligned(fields).map(controlBoxOf),
  textsShown: (fields) => aligned(fields).map(([first]) => (first ? textShownBy(first) : null)),
  valueOf: (field) => currentValueOf(controlsOf(field)),
  entryState: entryStateOf,
  waitForQuiet,
  isQuiet,
  disable,
  restyle,
  sizesWithoutLimits,
  bringIntoSight,
  placeInViewport,
  placesInViewport,
  insideInViewport,
  rememberPage() {
    before = pageNow();
  },
  heldBack: () => heldBack(before ?? pageNow(), controls()),
  rememberOverlays() {
    remembered = overlays();
  },
  rememberFields() {
    inSight = fieldsInSight();
  },
  fieldsCame: () => [...fieldsInSight()].filter((one) => !inSight.has(one)).map(ownName),
  overlayCame: () => [...overlays()].some((one) => !remembered.has(one)),
  report,
  mayBeSent: (button, receiver) => letThrough(controlsOf(button)[0], receiver, change),
  within(form, signs) {
    choose(form, signs);
    catchRequests();
    watchForQuiet();
  },
  withinForReal(form, signs) {
    choose(form, signs);
    watchRequests();
    watchForQuiet();
    letAllOut();
  },
  requestsMade,
  formsHere,
  controlsIn: countOfControls,
  hasFocus: (field) => controlsOf(field).some(hasFocus),
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
  documentBox,
  beginTyping(field, guards, focusFirst) {
    recorder?.stop();
    const element = controlsOf(field)[0] as TypedElement | undefined;
    if (!element) throw new Error('The field is not in the page.');
    recorder = new Recorder(element, field.kind, guards, isOwn());
    if (focusFirst) focusPlaceOf(element).focus();
  },
  validity: validityInPage,
  takeTyped() {
    if (!recorder) throw new Error('Nothing is being typed.');
    return recorder.take();
  },
  strike(stroke) {
    if (recorder && stroke.kind === 'focus') focusPlaceOf(recorder.element).focus();
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
