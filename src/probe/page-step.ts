import { controlSelector } from '@/core/form/field';
import type { PageStep } from '@/core/page/page-steps';
import { composedElements } from './composed-tree';

/** Does one step. @returns false while what it is about is not there */
export function doStep(step: PageStep): boolean {
  switch (step.kind) {
    case 'go':
      window.location.assign(step.path);
      return true;
    case 'wait':
      return found(step.what, 'anything') !== null;
    case 'click': {
      const element = found(step.what, 'pressed');
      if (element instanceof HTMLElement) element.click();
      return element !== null;
    }
    case 'fill': {
      const element = found(step.what, 'filled');
      if (!(element instanceof HTMLInputElement) && !(element instanceof HTMLTextAreaElement)) return false;
      // Frameworks listen through a setter of their own; that of the prototype tells them.
      const prototype =
        element instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
      Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(element, step.text);
      element.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
      element.dispatchEvent(new Event('change', { bubbles: true }));
      return true;
    }
  }
}

type Wanted = 'pressed' | 'filled' | 'anything';

const pressed = 'button,a,summary,label,input,[role=button],[role=link],[role=tab],[role=menuitem]';

function found(what: string, wanted: Wanted): Element | null {
  const shown = [...composedElements(document)].filter((element) => element.getClientRects().length > 0);
  if (/^[#.[]/.test(what)) return shown.find((element) => element.matches(what)) ?? null;
  if (wanted === 'filled') {
    const controls = shown.filter((element) => element.matches(controlSelector));
    return controls.find((element) => namesOf(element).some((name) => name === what)) ?? null;
  }
  const candidates = wanted === 'pressed' ? shown.filter((element) => element.matches(pressed)) : shown;
  return candidates.findLast((element) => wordsOn(element) === what) ?? null;
}

function wordsOn(element: Element): string {
  const words = element instanceof HTMLInputElement ? element.value : (element.textContent ?? '');
  return (element.getAttribute('aria-label') ?? words).replace(/\s+/g, ' ').trim();
}

function namesOf(element: Element): string[] {
  const labels = 'labels' in element ? [...((element as HTMLInputElement).labels ?? [])] : [];
  return [
    ...labels.map((label) => (label.textContent ?? '').replace(/\s+/g, ' ').trim()),
    ...['aria-label', 'placeholder', 'name'].flatMap((name) => element.getAttribute(name) ?? []),
  ];
}
