import { domMembers } from './dom-members';

/** What stands in a node as it is drawn: the contents of an open shadow root, and what is put into its slots. */
export function composedChildren(node: Node): readonly Node[] {
  const { shadowRoot = null, childNodes } = domMembers(node as Node & Partial<Pick<Element, 'shadowRoot'>>);
  if (shadowRoot) return [...shadowRoot.childNodes];
  if (node instanceof HTMLSlotElement) {
    const assigned = node.assignedNodes();
    if (assigned.length > 0) return assigned;
  }
  return [...childNodes];
}

/** Elements below a node in the order in which they are drawn, open shadow roots and all. */
export function* composedElements(root: Node): Generator<Element> {
  for (const child of composedChildren(root)) {
    if (child instanceof Element) yield child;
    yield* composedElements(child);
  }
}

/** The element in which another is drawn. */
export function composedParent(element: Element): Element | null {
  const own = domMembers(element);
  const parent = own.assignedSlot ?? own.parentNode;
  if (parent instanceof ShadowRoot) return parent.host;
  return parent instanceof Element ? parent : null;
}

/** The element that has the focus, inside of shadow roots too. */
export function focusedElement(): Element | null {
  let active = domMembers(document).activeElement;
  while (active?.shadowRoot?.activeElement) active = active.shadowRoot.activeElement;
  return active;
}
