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
  if (!/^[a-z][a-z0-9-]*$/.test(name)) return markup;
  const existing = control.attributes.find((a) => a.name === name);
  if (existing) return setExisting(markup, existing.span, name, value);
  if (value === null) return markup;
  return insertAttribute(markup, control, attributeText(name, value));
}

function setExisting(markup: string, span: Span, name: string, value: string | null): string {
  if (value !== null) return replaceSpan(markup, span, attributeText(name, value));
  const before = /\s+$/.exec(markup.slice(0, span.start))?.[0].length ?? 0;
  const gap = /^\s/.test(markup.slice(span.end)) ? '' : ' ';
  // Two attributes may stand without a space between them after a quoted value; they must not grow together.
  const needsGap = before > 0 && gap === ' ' && !/^[/>]/.test(markup.slice(span.end));
  return replaceSpan(markup, { start: span.start - before, end: span.end }, needsGap ? ' ' : '');
}

function insertAttribute(markup: string, control: Control | FormElement, text: string): string {
  const last = control.attributes.reduce((end, a) => Math.max(end, a.span.end), 0);
  const tagNameEnd = control.startTag.start + 1 + control.element.length;
  const at = last > 0 ? last : tagNameEnd;
  return replaceSpan(markup, { start: at, end: at }, ` ${text}`);
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
