import type { UnreadPart } from '@/core/document/unread-part';
import { controlSelector } from '@/core/html/field';
import { composedElements, composedParent } from './composed-tree';
import { domMembers } from './dom-members';
import { isFormAssociated } from './form-associated-host';
import { composedFields, isWidget } from './page-fields';

/** Roles of widgets into which a person enters something (WAI-ARIA, "Widget Roles") and of which no field is made. */
const widget = '[role=listbox],[role=checkbox],[role=radio],[role=switch]';

/** Where a person can enter something though no control is there that could be read and asked. */
export function unreadPartsOf(form: Element): UnreadPart[] {
  return [...composedElements(form)].flatMap((element): UnreadPart[] => {
    const sort = sortOf(element);
    return sort === null ? [] : [{ sort, label: labelOf(element) }];
  });
}

function sortOf(element: Element): UnreadPart['sort'] | null {
  const own = domMembers(element);
  if (own.matches(controlSelector) || isPartOfWidget(element)) return null;
  if (element instanceof HTMLIFrameElement) return 'frame';
  const edited = own.getAttribute('contenteditable');
  if (edited !== null && edited.toLowerCase() !== 'false') return 'editable';
  const hasRole = own.matches(widget) && !isInList(element);
  if (!(hasRole || isFormAssociated(element)) || composedFields(element).length > 0) return null;
  if (hasRole) return 'widget';
  return holdsWidget(element) ? null : 'element';
}

function isPartOfWidget(element: Element): boolean {
  for (let around: Element | null = element; around; around = composedParent(around))
    if (isWidget(around)) return true;
  return false;
}

/** The list that a text box opens is a part of that. */
function isInList(element: Element): boolean {
  const own = domMembers(element);
  return own.getAttribute('role') === 'listbox' && own.id !== '' && isControlled(own.id);
}

function isControlled(id: string): boolean {
  const named = `[aria-controls~="${CSS.escape(id)}"],[aria-owns~="${CSS.escape(id)}"]`;
  return domMembers(document).querySelector(named) !== null;
}

function holdsWidget(element: Element): boolean {
  return [...composedElements(element)].some((inner) => sortOf(inner) !== null);
}

const longestLabel = 80;

function labelOf(element: Element): string {
  const own = domMembers(element);
  const byId = (own.getAttribute('aria-labelledby') ?? '')
    .split(/\s+/)
    .flatMap((id) => (id ? (domMembers(document).getElementById(id) ?? []) : []))
    .map((one) => one.textContent ?? '');
  const forIt = own.id
    ? (domMembers(document).querySelector(`label[for="${CSS.escape(own.id)}"]`)?.textContent ?? '')
    : '';
  const words = [
    own.getAttribute('aria-label') ?? '',
    byId.join(' '),
    forIt,
    own.closest('label')?.textContent ?? '',
    own.getAttribute('title') ?? '',
    own.getAttribute('name') ?? '',
    own.id,
  ];
  const said = words.find((one) => one.trim() !== '') ?? '';
  return said.replace(/\s+/g, ' ').trim().slice(0, longestLabel);
}
