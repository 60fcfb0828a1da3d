import {
  attributeOf,
  type Element,
  elementsOf,
  type ParsedMarkup,
  parseMarkup,
  textOf,
} from './parse-markup';
import { readForm } from './read-form';

/** A form of which nothing is known yet. */
export const unnamed = 'New form';
const most = 80;

/** Names of markup that is still kept parsed: every edit asks about the one before. */
const names = new WeakMap<ParsedMarkup, string>();

/** What markup says that it is: its first heading or legend, the form's own label, the title of its page, or its first fields. */
export function calledBy(markup: string): string {
  const parsed = parseMarkup(markup);
  const name = names.get(parsed) ?? nameIn(markup, parsed);
  names.set(parsed, name);
  return name;
}

function nameIn(markup: string, parsed: ParsedMarkup): string {
  const elements = [...elementsOf(parsed.document)].map(({ element }) => element);
  const first = (tags: RegExp, textIn: (element: Element) => string | null) => {
    for (const element of elements) {
      const text = tags.test(element.tagName) ? textIn(element) : null;
      if (text?.trim()) return text;
    }
    return null;
  };
  const said =
    first(/^h[1-6]$/, textOf) ??
    first(/^form$/, (form) => attributeOf(form, 'aria-label')) ??
    first(/^legend$/, textOf) ??
    first(/^title$/, textOf);
  const words = said ?? ofFields(markup) ?? unnamed;
  return Array.from(words.replace(/\s+/g, ' ').trim()).slice(0, most).join('');
}

function ofFields(markup: string): string | null {
  const { fields } = readForm(markup);
  const labels = fields.slice(0, 2).map(({ label }) => label);
  if (labels.length === 0) return null;
  return fields.length > 2 ? `${labels.join(', ')} …` : labels.join(', ');
}

/** The name that a form has once its markup is edited: it goes with what the markup says, until a person gives it one. */
export function nameAfter(name: string, before: string, after: string): string {
  return name === calledBy(before) ? calledBy(after) : name;
}
