import { isLabelable } from '../html/label-words';
import { attributeOf, type Element, isElement, type Node, textOf } from '../html/parse-markup';

/** What holds many fields: how far outwards words may belong to one of them. */
const holders = new Set([
  'form',
  'fieldset',
  'section',
  'article',
  'main',
  'dialog',
  'body',
  'html',
  'table',
  'tbody',
]);
/** What says something else than how to fill in, or is not seen. */
const others = new Set([
  'legend',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'option',
  'datalist',
  'script',
  'style',
  'template',
]);
const inline = new Set(['small', 'span', 'em', 'i', 'b', 'strong', 'a', 'abbr', 'code']);

/** Limits, formats, sentences: a unit or one word (“optional”) says nothing of what may be entered. */
const saysHow =
  /\p{Nd}|\p{Lu}{2,}|\p{L}{2,}\s+\p{L}{2,}|[\p{sc=Han}\p{sc=Hira}\p{sc=Kana}\p{sc=Hang}]{4,}|\p{L}{12,}/u;

/**
 * Words that stand beside a control where a person sees them before anything is sent, and that nothing ties to it: in what holds it alone,
 * or behind it and between it and its label. Labels, messages of faults, and what is hidden are not among them.
 */
export function wordsBeside(control: Element, ancestors: readonly Element[]): string {
  const at = ancestors.findLastIndex(({ tagName }) => tagName === 'label');
  // A label that holds its control is as one with it.
  const shown = ancestors[at] ?? control;
  const around = at === -1 ? ancestors : ancestors.slice(0, at);
  const cell = cellOf(control, around);
  const words = cell ? wordsIn(cell) : siblingWords(shown, around.at(-1));
  return words
    .map((one) => one.replace(/\s+/g, ' ').trim())
    .filter((one) => saysHow.test(one))
    .join(' ');
}

/** The outermost element that holds this control and no other one that is seen. */
function cellOf(control: Element, ancestors: readonly Element[]): Element | null {
  let cell: Element | null = null;
  for (const holder of ancestors.toReversed()) {
    if (holders.has(holder.tagName) || holdsAnother(holder, control)) break;
    cell = holder;
  }
  return cell;
}

function holdsAnother({ childNodes }: Element, control: Element): boolean {
  return childNodes.some((node) => {
    if (!isElement(node) || node === control) return false;
    return isLabelable(node) || holdsAnother(node, control);
  });
}

/** What stands in front of label and control alike is a label itself. */
function wordsIn(cell: Element): string[] {
  const parts = partsOf(cell);
  const first = parts.findIndex((part) => typeof part !== 'string');
  return parts.slice(first + 1).filter((part) => typeof part === 'string');
}

/** The words in an element, and between them what is a label or a control. */
function partsOf(element: Element): (string | Element)[] {
  return element.childNodes.flatMap((node): (string | Element)[] => {
    if (!isElement(node)) return 'value' in node ? [node.value] : [];
    if (isLabelable(node) || node.tagName === 'label') return [node];
    return isOfAnother(node) ? [] : partsOf(node);
  });
}

/** Something else than words on how to fill in: a message that waits for a fault, what is hidden. */
function isOfAnother(element: Element): boolean {
  const classes = attributeOf(element, 'class') ?? '';
  return (
    others.has(element.tagName) ||
    attributeOf(element, 'hidden') !== null ||
    attributeOf(element, 'role') === 'alert' ||
    /\b(?:in)?valid|error|alert/i.test(classes)
  );
}

/** Where fields stand one after the other: what is written behind one of them, and between it and its label. */
function siblingWords(control: Element, holder: Element | undefined): string[] {
  if (!holder) return [];
  const nodes = holder.childNodes.filter((node) => isElement(node) || node.nodeName !== '#text');
  const at = nodes.indexOf(control);
  const id = attributeOf(control, 'id');
  const isLabel = (node: Node) =>
    isElement(node) && node.tagName === 'label' && attributeOf(node, 'for') === id;
  const label = id === null ? -1 : nodes.slice(0, at).findLastIndex(isLabel);
  const apart = label === -1 ? [] : nodes.slice(label + 1, at);
  const between = apart.some(isOfField) ? [] : apart;
  const behind = nodes.slice(at + 1);
  const end = behind.findIndex((node) => !isInline(node));
  return [...between.filter(isInline), ...behind.slice(0, end === -1 ? behind.length : end)].flatMap(
    (node) => (isElement(node) && !isOfAnother(node) ? [textOf(node)] : []),
  );
}

/** A field or its label: what stands beside it may be said of it. */
const isOfField = (node: Node) => isElement(node) && (isLabelable(node) || node.tagName === 'label');

const isInline = (node: Node) => isElement(node) && inline.has(node.tagName);
