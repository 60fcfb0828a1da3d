import { isControlTag } from './field';
import { tidyWords } from './label-words';
import { attributeOf, type Element, elementsOf, isElement, type Node, textOf } from './parse-markup';

/**
 * What the group of choices is called that a control stands in: by the legend of its fieldset (HTML Standard, "The
 * legend element") or by the label of its group (WAI-ARIA, "radiogroup" and "group"). A heading over other fields as well is
 * not theirs.
 * @param ancestors the outermost first
 * @param name the `name` that the choices have in common
 * @returns the words, or the empty text where nothing names the group
 */
export function groupName(
  ancestors: readonly Element[],
  byId: ReadonlyMap<string, Element>,
  name: string,
): string {
  const group = ancestors.findLast(
    (one) => one.tagName === 'fieldset' || /^(?:radio)?group$/.test(attributeOf(one, 'role') ?? ''),
  );
  if (!group || !isMostly(group, name)) return '';
  const labels = (attributeOf(group, 'aria-labelledby') ?? '').split(/[\t\n\f\r ]+/);
  const labelled = labels.flatMap((id) => byId.get(id) ?? []).map((one) => tidyWords(textOf(one)));
  const legend = group.childNodes.find((child) => child.nodeName === 'legend');
  const words = [
    labelled.join(' '),
    tidyWords(attributeOf(group, 'aria-label') ?? ''),
    legend && 'childNodes' in legend ? tidyWords(textOf(legend)) : '',
  ];
  return words.find((one) => one !== '') ?? '';
}

/** A text field for what is none of the choices may stand among them. */
function isMostly(group: Element, name: string): boolean {
  const { total, byName } = namesIn(group);
  return (byName.get(name) ?? 0) * 2 > total;
}

interface NamesWithin {
  /** How many controls there are. */
  readonly total: number;
  /** How many of them have each name. */
  readonly byName: ReadonlyMap<string | null, number>;
}

/** The names of the controls within an element, counted once: all groups in it ask. */
function namesIn(element: Element): NamesWithin {
  const known = counted.get(element);
  if (known) return known;
  const byName = new Map<string | null, number>();
  let total = 0;
  for (const { element: one } of elementsOf(element)) {
    if (!isControl(one)) continue;
    const name = attributeOf(one, 'name');
    byName.set(name, (byName.get(name) ?? 0) + 1);
    total++;
  }
  counted.set(element, { total, byName });
  return { total, byName };
}
const counted = new WeakMap<Element, NamesWithin>();

const isControl = ({ tagName }: Element) => isControlTag(tagName);

/** The question before a group of choices, as whoever sees the page reads it. */
export interface AskedBefore {
  /** The element in which the question and its choices stand, and no other field. */
  readonly around: Element;
  readonly words: string;
}

/**
 * The words before the choices of a group: “Tide” of “Tide ○ rising ○ slack”.
 * @param ancestors the outermost first
 * @param name the `name` that the choices have in common
 * @returns null where nothing stands before them, or other fields stand among them
 */
export function askedBefore(ancestors: readonly Element[], name: string): AskedBefore | null {
  for (const around of ancestors.toReversed()) {
    const { total, byName } = namesIn(around);
    if (byName.get(name) !== total) return null;
    if (total < 2) continue;
    const first = around.childNodes.findIndex(holdsControl);
    const words = tidyWords(around.childNodes.slice(0, first).map(wordsIn).join(' '));
    if (words !== '') return { around, words };
  }
  return null;
}

/** True for a control, and for what one stands in. */
export function holdsControl(node: Node): boolean {
  return isElement(node) && (isControl(node) || namesIn(node).total > 0);
}

/** The text of a node, whatever it is. */
export function wordsIn(node: Node): string {
  if (isElement(node)) return textOf(node);
  return node.nodeName === '#text' && 'value' in node ? node.value : '';
}
