import type { Control, Span } from './field';
import {
  type Element,
  elementsOf,
  isElement,
  type Node,
  type ParsedMarkup,
  parseMarkup,
} from './parse-markup';

/** A form that begins inside of another one: its start tag is ignored, and its end tag ends the outer one (HTML Standard, "in body"). */
export interface NestedForm {
  /** The start tag that is ignored, as far as it is known. */
  readonly tag: Span;
  /** The outer form, as an index into the page's forms in tree order. */
  readonly outer: number;
  /** The place behind which nothing belongs to the outer form any more; null where that has not ended early. */
  readonly cutAt: number | null;
}

/** Whether a control stands behind the place where the outer form ended early, and belongs to no form. */
export function isCutOffBy({ cutAt }: NestedForm, { form, span }: Control): boolean {
  return cutAt !== null && form === null && cutAt <= span.start;
}

const known = new WeakMap<ParsedMarkup, readonly NestedForm[]>();

/** The forms in forms of a page, in source order. Places are UTF-16 code units. */
export function nestedForms(markup: string): readonly NestedForm[] {
  const parsed = parseMarkup(markup);
  const found = known.get(parsed) ?? find(markup, parsed);
  known.set(parsed, found);
  return found;
}

function find(markup: string, parsed: ParsedMarkup): NestedForm[] {
  const tags = [...markup.matchAll(/<form(?=[\s/>])/gi)].map(({ index }) => index);
  if (tags.length < 2) return [];
  const elements = [...elementsOf(parsed.document)].map(({ element }) => element);
  const forms = elements.filter(({ tagName }) => tagName === 'form');
  const read = readSpans(elements);
  return tags.flatMap((start): NestedForm[] => {
    if (read.some((span) => span.start <= start && start < span.end)) return [];
    const outer = forms.findLastIndex((form) => {
      const place = form.sourceCodeLocation;
      return place !== undefined && place !== null && place.startOffset < start && start < place.endOffset;
    });
    if (outer === -1) return [];
    const end = forms[outer]?.sourceCodeLocation?.endTag?.endOffset ?? null;
    const strays = end !== null && /<\/form\s*>/i.test(markup.slice(end));
    return [{ tag: { start, end: tagEnd(markup, start) }, outer, cutAt: strays ? end : null }];
  });
}

/** What the parser made something of: tags, texts and comments. A tag elsewhere was ignored. */
function readSpans(elements: readonly Element[]): Span[] {
  return elements.flatMap((element) => {
    const { startTag, endTag } = element.sourceCodeLocation ?? {};
    const own = [startTag, endTag].flatMap((tag) =>
      tag ? [{ start: tag.startOffset, end: tag.endOffset }] : [],
    );
    // What stands in a template is no part of the page.
    if (element.tagName === 'template') return spanOf(element);
    return [...own, ...element.childNodes.filter((node) => !isElement(node)).flatMap(spanOf)];
  });
}

function spanOf(node: Node): Span[] {
  const place = node.sourceCodeLocation;
  return place ? [{ start: place.startOffset, end: place.endOffset }] : [];
}

function tagEnd(markup: string, start: number): number {
  const end = markup.indexOf('>', start);
  return end === -1 ? markup.length : end + 1;
}
