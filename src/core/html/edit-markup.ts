import type { Control, FormElement, Span } from './field';

/** `text` with one span replaced. */
export function replaceSpan(text: string, span: Span, by: string): string {
  return text.slice(0, span.start) + by + text.slice(span.end);
}

/** Writes an attribute so that the HTML parser reads back the same name and value. */
export function attributeText(name: string, value: string): string {
  if (value === '') return name;
  const escaped = value.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
  return `${name}="${escaped}"`;
}

/** A place in a text and what comes to stand there. */
export interface TextEdit extends Span {
  readonly by: string;
}

/** `text` with edits of places that do not overlap; of two at one place the first stands first. */
export function applyEdits(text: string, edits: readonly TextEdit[]): string {
  const inOrder = edits
    .map((edit, index) => ({ edit, index }))
    .sort((a, b) => b.edit.start - a.edit.start || b.edit.end - a.edit.end || b.index - a.index);
  return inOrder.reduce((changed, { edit }) => replaceSpan(changed, edit, edit.by), text);
}

/**
 * The markup with one attribute of a control or a form set, or taken away when `value` is null. All else stays as it was,
 * character by character. Attribute names are those of the registry; others are refused by returning the markup.
 */
export function setAttribute(
  markup: string,
  control: Control | FormElement,
  name: string,
  value: string | null,
): string {
  return applyEdits(markup, attributeEdits(markup, control, { [name]: value }));
}

/** The edits that set some attributes of one control, or take away those whose value is null. */
export function attributeEdits(
  markup: string,
  control: Control | FormElement,
  values: Readonly<Record<string, string | null>>,
): TextEdit[] {
  return Object.entries(values).flatMap(([name, value]): TextEdit[] => {
    if (!/^[a-z][a-z0-9-]*$/.test(name)) return [];
    const existing = control.attributes.find((a) => a.name === name);
    if (existing)
      return [
        value === null
          ? removal(markup, existing.span)
          : { ...existing.span, by: attributeText(name, value) },
      ];
    return value === null ? [] : [insertion(control, attributeText(name, value))];
  });
}

/** Takes an attribute away, with the space before it. */
export function removal(markup: string, span: Span): TextEdit {
  const before = /\s+$/.exec(markup.slice(0, span.start))?.[0].length ?? 0;
  // Two attributes may stand without a space between them after a quoted value; they must not grow together.
  const needsGap = before > 0 && !/^[\s/>]/.test(markup.slice(span.end));
  return { start: span.start - before, end: span.end, by: needsGap ? ' ' : '' };
}

function insertion(control: Control | FormElement, text: string): TextEdit {
  const last = control.attributes.reduce((end, a) => Math.max(end, a.span.end), 0);
  const at = last > 0 ? last : control.startTag.start + 1 + control.element.length;
  return { start: at, end: at, by: ` ${text}` };
}

/** A text as it is written between tags. */
export function escapedText(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
}

/** The markup with the text between a textarea's (or output's) tags replaced; null when it has no end tag to write before. */
export function setText(markup: string, control: Control, text: string): string | null {
  const inner = markup.slice(control.startTag.end, control.span.end);
  const endTag = /<\/[a-z]+\s*>$/i.exec(inner);
  if (!endTag) return null;
  // The parser drops one newline right after the tag (HTML Standard, "The textarea element").
  const guard = control.element === 'textarea' && text.startsWith('\n') ? '\n' : '';
  const end = control.startTag.end + endTag.index;
  return replaceSpan(markup, { start: control.startTag.end, end }, guard + escapedText(text));
}
