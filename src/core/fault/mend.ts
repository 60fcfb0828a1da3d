import { attributeEdits, attributeText, escapedText, removal, type TextEdit } from '../html/edit-markup';
import { attribute, type Control, type Field, type Span } from '../html/field';
import { type AskedBefore, holdsControl, wordsIn } from '../html/group-name';
import { nameFromWords } from '../html/name-from-words';
import { attributeOf, attributeSpan, type Element, isElement, type Node } from '../html/parse-markup';
import type { Placed } from '../html/read-form';

/** Edits of the markup under check that take a fault away; worked out only when somebody asks. */
export type Mend = (markup: string) => TextEdit[];

type Values = Readonly<Record<string, string | null>>;

/** Sets attributes of a control, or takes those away whose value is null. */
export function withAttributes(control: Control, values: Values): Mend {
  return (markup) => attributeEdits(markup, control, values);
}

/** Takes an attribute of any element away. */
export function withoutAttribute(element: Element, name: string): Mend {
  return (markup) => {
    const span = attributeSpan(element, name);
    return span ? [removal(markup, span)] : [];
  };
}

/** Gives fields one name, made of the words around them. */
export function namedTogether(fields: readonly Field[], words: string): Mend {
  const name = nameFromWords(words, fields[0]?.name ?? 'choice');
  return (markup) => fields.flatMap(({ controls: [control] }) => attributeEdits(markup, control, { name }));
}

/** A button at the end of a form; none where its end is not written. */
export function buttonThatSends(form: Span): Mend {
  return (markup) => {
    const at = markup.slice(form.start, form.end).search(/<\/form\s*>$/i);
    const place = form.start + at;
    return at === -1 ? [] : [{ start: place, end: place, by: '<button>Send</button>\n' }];
  };
}

/** Two buttons that say which of them was pressed. */
export function toldApart(buttons: readonly Field[]): Mend {
  return (markup) =>
    buttons.flatMap(({ label, controls: [control] }) =>
      attributeEdits(markup, control, { name: 'action', value: nameFromWords(label, 'send') }),
    );
}

/**
 * Ties a control to the words beside it: to the label before it that names no field, or else by a label around both. None
 * where no words stand beside it.
 */
export function tiedToWords(control: Control, { element, ancestors }: Placed): Mend | null {
  const siblings = ancestors.at(-1)?.childNodes ?? [];
  const at = siblings.indexOf(element);
  const before = lastWith(siblings.slice(0, at));
  const id = attribute(control, 'id');
  if (before && isElement(before) && before.tagName === 'label') {
    const span = attributeSpan(before, 'for');
    return span && id !== null ? () => [{ ...span, by: attributeText('for', id) }] : null;
  }
  const isMark =
    control.element === 'input' && /^(?:checkbox|radio)$/i.test(attribute(control, 'type') ?? '');
  const after = siblings[at + 1];
  const words = isMark && after && !isElement(after) ? wordsOf(after) : before && wordsOf(before);
  if (!words) return null;
  const [start, end] = [Math.min(words.start, control.span.start), Math.max(words.end, control.span.end)];
  return () => [
    { start, end: start, by: '<label>' },
    { start: end, end, by: '</label>' },
  ];
}

/** The last of the nodes in which something stands. */
function lastWith(nodes: readonly Node[]): Node | undefined {
  return nodes.findLast((node) => isElement(node) || wordsOf(node) !== null);
}

/** Where the words of a text stand; null for white space, for comments and for elements. */
function wordsOf(node: Node): { start: number; end: number } | null {
  const place = node.sourceCodeLocation;
  if (node.nodeName !== '#text' || !place || !('value' in node) || node.value.trim() === '') return null;
  const lead = node.value.length - node.value.trimStart().length;
  const trail = node.value.length - node.value.trimEnd().length;
  return { start: place.startOffset + lead, end: place.endOffset - trail };
}

/** Says something beside a control: inside its label, else right behind it and tied to it by an id. */
export function saidBeside(field: Field, { ancestors }: Placed, words: string): Mend {
  const [control] = field.controls;
  const label = ancestors.findLast(({ tagName }) => tagName === 'label')?.sourceCodeLocation;
  const end = label?.endTag?.startOffset;
  if (end !== undefined) return () => [{ start: end, end, by: ` <small>${escapedText(words)}</small>` }];
  const id = `${nameFromWords(field.name, 'field')}-limit`;
  return (markup) => [
    ...attributeEdits(markup, control, { 'aria-describedby': id }),
    {
      start: control.span.end,
      end: control.span.end,
      by: ` <small ${attributeText('id', id)}>${escapedText(words)}</small>`,
    },
  ];
}

/** Names the element around a question and its choices, with the words of the question (WAI-ARIA, "radiogroup"). */
export function namedGroup(asked: AskedBefore | null): Mend | null {
  const tag = asked?.around.sourceCodeLocation?.startTag;
  if (!asked || !tag || asked.around.tagName === 'form') return null;
  const at = tag.startOffset + 1 + asked.around.tagName.length;
  const role = attributeOf(asked.around, 'role') === null ? ' role="radiogroup"' : '';
  const by = `${role} ${attributeText('aria-label', asked.words)}`;
  return () => [{ start: at, end: at, by }];
}

/** Shows the value of a slider behind it, kept up to date by a script of its own. */
export function withReadout(control: Control, value: string): Mend {
  return (markup) => [
    ...attributeEdits(markup, control, { oninput: 'this.nextElementSibling.value = this.value' }),
    { start: control.span.end, end: control.span.end, by: ` <output>${escapedText(value)}</output>` },
  ];
}

/** The words around a choice that stand before its fields: “Tide” of “Tide ○ rising ○ slack”. */
export function wordsBefore({ ancestors }: Placed): string {
  for (const around of [...ancestors].reverse()) {
    const controls = around.childNodes.filter(holdsControl).length;
    if (controls < 2) continue;
    const before = around.childNodes.slice(0, around.childNodes.findIndex(holdsControl));
    return before.map(wordsIn).join('').trim();
  }
  return '';
}
