import { isControlTag } from './field';
import { attributeOf, type Element, isElement, type Node } from './parse-markup';

/**
 * The words of a label: those before the control that it wraps or, when there are none, those after it. What stands in
 * controls is none of them; a picture says its `alt`.
 * @param labelled the control inside of it; null for a label that names its control by `for`
 */
export function labelWords(label: Element, labelled: Element | null): string {
  const words = { before: '', after: '', passed: false };
  const collect = (node: Node): void => {
    if (node === labelled) words.passed = true;
    else if (node.nodeName === '#text' && 'value' in node)
      words[words.passed ? 'after' : 'before'] += node.value;
    else if (isElement(node) && node.tagName === 'img')
      words[words.passed ? 'after' : 'before'] += ` ${attributeOf(node, 'alt') ?? ''}`;
    else if (isElement(node) && !isControlTag(node.tagName)) node.childNodes.forEach(collect);
  };
  label.childNodes.forEach(collect);
  return tidyWords(words.before) || tidyWords(words.after);
}

/**
 * Which control each label without a `for` labels: the first labelable one in it (HTML Standard, "The label element"). Asked of a
 * whole page at once, so that labels in labels are not gone through again and again.
 */
export function wrappedControls(
  elements: readonly { readonly element: Element; readonly ancestors: readonly Element[] }[],
): Map<Element, Element> {
  const wrapped = new Map<Element, Element>();
  for (const { element, ancestors } of elements) {
    if (!isLabelable(element)) continue;
    for (const label of ancestors)
      if (label.tagName === 'label' && !wrapped.has(label)) wrapped.set(label, element);
  }
  return wrapped;
}

export function isLabelable(element: Element): boolean {
  return isControlTag(element.tagName) && attributeOf(element, 'type')?.toLowerCase() !== 'hidden';
}

/** Without the line breaks of the markup, and without the colon or star behind it. */
export function tidyWords(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/\s*[:*]$/, '');
}
