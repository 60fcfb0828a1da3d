import type { Span } from './field';

export type MarkupSort = 'tag' | 'bracket' | 'value' | 'comment';

export interface ColouredSpan extends Span {
  readonly sort: MarkupSort;
}

const whole = /<!--[\s\S]*?(?:-->|$)|<\/?[a-z][^\s/>]*(?:[^"'>]|"[^"]*(?:"|$)|'[^']*(?:'|$))*>?/gi;
const inTag = /^(<\/?)([^\s/>]+)|("[^"]*"?|'[^']*'?)|(>)/g;

/**
 * Where tags, values and comments stand in markup, in order and apart from each other; by looks alone, as an editor colours them. An
 * editor's own parser is a hundred times as much code, which a page that is only read does not wait for.
 */
export function markupColours(markup: string): ColouredSpan[] {
  return [...markup.matchAll(whole)].flatMap((found) => {
    const [text] = found;
    const at = (start: number, length: number, sort: MarkupSort): ColouredSpan => ({
      start: found.index + start,
      end: found.index + start + length,
      sort,
    });
    if (text.startsWith('<!--')) return [at(0, text.length, 'comment')];
    return [...text.matchAll(inTag)].flatMap(({ index, 1: open, 2: name = '', 3: value, 4: close }) => {
      if (open !== undefined)
        return [at(index, open.length, 'bracket'), at(index + open.length, name.length, 'tag')];
      if (value !== undefined) return [at(index, value.length, 'value')];
      return close === undefined ? [] : [at(index, 1, 'bracket')];
    });
  });
}

/** A piece of one line that is drawn in one way. */
export interface LinePiece {
  readonly text: string;
  readonly sort: MarkupSort | null;
  /** Belongs to the field that is shown. */
  readonly isShown: boolean;
}

/** Lines of markup in pieces; put together again with a newline between each, they are the markup. */
export function markupLines(markup: string, shown: readonly Span[]): LinePiece[][] {
  const colours = markupColours(markup);
  const cuts = new Set([0, markup.length]);
  for (const { start, end } of [...colours, ...shown]) for (const cut of [start, end]) cuts.add(cut);
  const places = [...cuts].filter((cut) => cut <= markup.length).sort((a, b) => a - b);
  const lines: LinePiece[][] = [[]];
  let colour = 0;
  for (const [index, start] of places.entries()) {
    const end = places[index + 1];
    if (end === undefined) break;
    while ((colours[colour]?.end ?? Number.POSITIVE_INFINITY) <= start) colour++;
    const one = colours[colour];
    const sort = one && one.start <= start ? one.sort : null;
    const isShown = shown.some((span) => span.start <= start && end <= span.end);
    for (const [row, text] of markup.slice(start, end).split('\n').entries()) {
      if (row > 0) lines.push([]);
      if (text !== '') lines.at(-1)?.push({ text, sort, isShown });
    }
  }
  return lines;
}
