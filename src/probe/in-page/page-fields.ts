import { controlSelector } from '@/core/html/field';
import { widgetSelector } from '@/core/html/widget';
import { composedElements, composedParent, focusedElement } from './composed-tree';
import { domMembers } from './dom-members';

/** Whether an element is a field without being a control of HTML: in a page what `widgetsIn` is in markup. */
export function isWidget(element: Element): boolean {
  if (!mayBeWidget(element)) return false;
  for (let around = composedParent(element); around; around = composedParent(around))
    if (mayBeWidget(around)) return false;
  return true;
}

function mayBeWidget(element: Element): boolean {
  if (!domMembers(element).matches(widgetSelector)) return false;
  return ![...composedElements(element)].some((inner) => domMembers(inner).matches(controlSelector));
}

export function isField(element: Element): boolean {
  return isWidget(element) || domMembers(element).matches(controlSelector);
}

/** Controls and widgets below a node, in the order in which `readForm` numbers those of its snapshot. */
export function composedFields(root: Node): Element[] {
  return [...composedElements(root)].filter(isField);
}

/** The same of a page that is made for a form: what stands in shadow roots is not in its markup. */
export function fieldsOfDocument(): Element[] {
  return [...domMembers(document).querySelectorAll(`${controlSelector},${widgetSelector}`)].filter(isField);
}

/** Whether what stands in an element is edited in place. */
export function isEditable(element: Element): boolean {
  return element instanceof HTMLElement && element.isContentEditable;
}

/** Where the focus goes that a field is given: some widgets are worked from an element inside of them. */
export function focusPlaceOf(field: HTMLElement): HTMLElement {
  if (field.tabIndex >= 0 || isEditable(field) || !isWidget(field)) return field;
  const inner = [...composedElements(field)].find(
    (element): element is HTMLElement => element instanceof HTMLElement && element.tabIndex >= 0,
  );
  return inner ?? field;
}

/** Whether a field has the focus, by itself or in the element from which it is worked. */
export function hasFocus(field: HTMLElement): boolean {
  const focused = focusedElement();
  return focused === field || focused === focusPlaceOf(field);
}

const numbered = ['slider', 'spinbutton'];

/** What a person reads as the value of a widget; of one that counts what assistive technology is told, unless text stands in it. */
export function widgetValue(element: HTMLElement): string {
  const own = (name: string) => domMembers(element).getAttribute(name);
  const told = numbered.includes((own('role') ?? '').toLowerCase())
    ? (own('aria-valuetext') ?? own('aria-valuenow'))
    : null;
  // biome-ignore lint/performance/useDomNodeTextContent: what is not drawn is not read
  return told ?? element.innerText.replace(/\n+$/, '');
}
