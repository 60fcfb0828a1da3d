import { elementsOf, parseMarkup } from './parse-markup';

/**
 * The markup as a browser with scripting off reads it (HTML Standard, "The noscript element"): what stands in
 * `noscript` is part of the page. The tags alone are taken out; nested ones cannot be, for they do not nest.
 */
export function withoutScripts(markup: string): string {
  const spans = [...elementsOf(parseMarkup(markup).document)].flatMap(({ element }) => {
    const place = element.tagName === 'noscript' ? element.sourceCodeLocation : null;
    return [place?.startTag, place?.endTag].flatMap((tag) =>
      tag ? [{ start: tag.startOffset, end: tag.endOffset }] : [],
    );
  });
  return spans
    .sort((a, b) => b.start - a.start)
    .reduce((text, { start, end }) => text.slice(0, start) + text.slice(end), markup);
}
