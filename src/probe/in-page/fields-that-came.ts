import { domMembers } from './dom-members';
import { composedFields } from './page-fields';

/** Fields in which a person could enter something now: drawn, and no buttons. */
export function fieldsInSight(): ReadonlySet<Element> {
  return new Set(composedFields(document).filter(isInSight));
}

function isInSight(element: Element): boolean {
  const own = domMembers(element);
  if (own.matches('button,[type=submit],[type=button],[type=reset],[type=image],output,meter,progress'))
    return false;
  const { width, height } = own.getBoundingClientRect();
  const isDrawn = own.checkVisibility({ opacityProperty: true, visibilityProperty: true });
  return isDrawn && width > 1 && height > 1;
}

/** Longest name that is told, UTF-16 code units. */
const longest = 80;

/** What a field is called where no label was looked for: as it says by itself. */
export function ownName(element: Element): string {
  const names = ['aria-label', 'placeholder', 'title', 'name', 'id'];
  const own = domMembers(element);
  const said = names.map((name) => own.getAttribute(name)?.trim() ?? '').find((text) => text !== '') ?? '';
  return said.slice(0, longest);
}
