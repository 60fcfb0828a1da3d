import type { PageStep } from '@/core/document/page-steps';
import { controlSelector } from '@/core/html/field';
import type { Doable } from '@/core/page/page-sight';
import { inDocument } from '../api/box';
import { composedElements } from './composed-tree';
import { domMembers } from './dom-members';

/** Does one step. @returns false while what it is about is not there */
export function doStep(step: PageStep): boolean {
  switch (step.kind) {
    case 'go': {
      const to = new URL(step.path, window.location.href);
      // Read once more where it is done: a base element of the page must not lead it elsewhere.
      if (to.origin !== window.location.origin) return false;
      window.location.assign(to.href);
      return true;
    }
    case 'wait':
      return found(step.what, 'anything') !== null;
    case 'click': {
      const element = found(step.what, 'pressed');
      if (element instanceof HTMLElement) element.click();
      return element !== null;
    }
    case 'fill': {
      const element = found(step.what, 'filled');
      const value = element && valueFor(element, step.text);
      if (element === null || value === null) return false;
      // Frameworks listen through a setter of their own; that of the prototype tells them.
      Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element), 'value')?.set?.call(element, value);
      element.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
      element.dispatchEvent(new Event('change', { bubbles: true }));
      return true;
    }
  }
}

/** What to set as the value; a list is given one of its options, by its words or its value. Null where there is none. */
function valueFor(element: Element, text: string): string | null {
  if (element instanceof HTMLSelectElement) {
    const options = [...element.options];
    const option = options.find(({ label }) => label === text) ?? options.find(({ value }) => value === text);
    return option?.value ?? null;
  }
  const isTyped = element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement;
  return isTyped ? text : null;
}

/** Longest words by which something is named in a step. */
const longestName = 60;

/** What steps can name in the page as it stands; what no words and no selector lead back to is left out. */
export function doableHere(): Doable[] {
  return [...composedElements(document)].flatMap((element): Doable[] => {
    const own = domMembers(element);
    const kind = own.matches(fillable) ? 'fill' : own.matches(pressable) ? 'click' : null;
    const rect = own.getBoundingClientRect();
    if (kind === null || own.matches(':disabled') || !isOpenToPointer(element, rect)) return [];
    const what = nameFor(element, kind === 'fill' ? 'filled' : 'pressed');
    return what === null ? [] : [{ kind, what, box: inDocument(rect) }];
  });
}

/** Whether a pointer would meet the element: not under a dialog, say. What is out of sight may well be met. */
function isOpenToPointer(element: Element, { x, y, width, height }: DOMRect): boolean {
  if (width < 4 || height < 4) return false;
  const root = domMembers(element).getRootNode();
  if (!(root instanceof Document || root instanceof ShadowRoot)) return false;
  const [middle, down] = [x + width / 2, y + height / 2];
  if (middle < 0 || down < 0 || middle >= innerWidth || down >= innerHeight) return true;
  const met = root.elementFromPoint(middle, down);
  return (
    met !== null &&
    (met === element ||
      domMembers(element).contains(met) ||
      domMembers(met).contains(element) ||
      isLabelOf(met, element))
  );
}

/** Boxes and radio buttons are often hidden under what is drawn in their place. */
function isLabelOf(met: Element, element: Element): boolean {
  return (
    'labels' in element &&
    [...((element as HTMLInputElement).labels ?? [])].some((label) => label.contains(met))
  );
}

const pressable =
  'button,a[href],summary,[role=button],[role=link],[role=tab],[role=menuitem],[type=submit],[type=button],[type=checkbox],[type=radio]';
const fillable =
  'textarea,select,input:not([type=submit],[type=button],[type=reset],[type=image],[type=checkbox],[type=radio],[type=file],[type=hidden])';

/** The first name that leads a step back to this element and to no other. */
function nameFor(element: Element, wanted: Wanted): string | null {
  const words = wanted === 'filled' ? namesOf(element) : [wordsOn(element)];
  const selectors = [
    element.id ? `#${CSS.escape(element.id)}` : '',
    ...['name', 'value', 'href'].flatMap((name) => {
      const value = element.getAttribute(name);
      return value ? [`[${name}=${JSON.stringify(value)}]`] : [];
    }),
  ];
  const names = [...words, ...selectors].filter((name) => name !== '' && name.length <= longestName);
  return names.find((name) => found(name, wanted) === element) ?? null;
}

type Wanted = 'pressed' | 'filled' | 'anything';

const pressed = 'button,a,summary,label,input,[role=button],[role=link],[role=tab],[role=menuitem]';

function found(what: string, wanted: Wanted): Element | null {
  const shown = [...composedElements(document)].filter(
    (element) => domMembers(element).getClientRects().length > 0,
  );
  const selected = /^[#.[]/.test(what) ? selectedBy(what, shown) : null;
  if (selected) return selected;
  if (wanted === 'filled') {
    const controls = shown.filter((element) => domMembers(element).matches(controlSelector));
    return controls.find((element) => namesOf(element).some((name) => name === what)) ?? null;
  }
  const candidates =
    wanted === 'pressed' ? shown.filter((element) => domMembers(element).matches(pressed)) : shown;
  return candidates.findLast((element) => wordsOn(element) === what) ?? null;
}

/** Null for words that only begin as a selector does: a button “...”, an entry “#1”. */
function selectedBy(selector: string, shown: readonly Element[]): Element | null {
  try {
    return shown.find((element) => domMembers(element).matches(selector)) ?? null;
  } catch {
    return null;
  }
}

function wordsOn(element: Element): string {
  const own = domMembers(element);
  const words = element instanceof HTMLInputElement ? element.value : (own.textContent ?? '');
  return (own.getAttribute('aria-label') ?? words).replace(/\s+/g, ' ').trim();
}

/** What stands in the control that a label wraps is none of its words. */
function wordsOfLabel(label: Element): string {
  const walker = domMembers(document).createTreeWalker(label, NodeFilter.SHOW_TEXT);
  let words = '';
  while (walker.nextNode())
    if (!walker.currentNode.parentElement?.closest(controlSelector)) words += walker.currentNode.textContent;
  return words.replace(/\s+/g, ' ').trim();
}

function namesOf(element: Element): string[] {
  const labels = 'labels' in element ? [...((element as HTMLInputElement).labels ?? [])] : [];
  return [
    ...labels.map(wordsOfLabel),
    ...['aria-label', 'placeholder', 'name'].flatMap((name) => element.getAttribute(name) ?? []),
  ];
}
