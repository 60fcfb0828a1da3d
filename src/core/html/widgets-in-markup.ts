import { isControlTag } from './field';
import { attributeOf, type Element } from './parse-markup';
import { editableStates, widgetRoles } from './widget';

function mayBeWidget(element: Element): boolean {
  const role = attributeOf(element, 'role')?.toLowerCase();
  if (element.tagName === 'button')
    return role === 'combobox' && attributeOf(element, 'type')?.toLowerCase() === 'button';
  if (isControlTag(element.tagName)) return false;
  const edited = attributeOf(element, 'contenteditable')?.toLowerCase();
  return editableStates.some((state) => state === edited) || widgetRoles.some((one) => one === role);
}

/**
 * The elements of a page that are fields without being controls of HTML. What holds a control is none: that control is the field. What
 * stands in a widget is a part of it.
 * @param elements in tree order
 */
export function widgetsIn(
  elements: readonly { readonly element: Element; readonly ancestors: readonly Element[] }[],
): ReadonlySet<Element> {
  const may = new Set(elements.flatMap(({ element }) => (mayBeWidget(element) ? [element] : [])));
  if (may.size === 0) return may;
  for (const { element, ancestors } of elements)
    if (isControlTag(element.tagName)) for (const around of ancestors) may.delete(around);
  return new Set(
    elements.flatMap(({ element, ancestors }) =>
      may.has(element) && !ancestors.some((around) => may.has(around)) ? [element] : [],
    ),
  );
}
