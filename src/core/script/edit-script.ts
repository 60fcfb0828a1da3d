import { formatScript, readScript } from './script-text';
import type { Stroke } from './stroke';

/** One line of a script text, and the strokes that it stands for. */
interface Line {
  readonly text: string;
  readonly strokes: readonly Stroke[];
}

/**
 * Takes one stroke out of a script text. Comments, empty lines and the lines of other strokes stay as they are written.
 *
 * @param index of the stroke, from 0; where there is none the text comes back as it is, as one with a mistake in it does
 */
export function withoutStroke(text: string, index: number): string {
  const lines = linesOf(text);
  const place = placeOf(lines, index);
  const line = place && lines[place.line];
  if (!place || !line) return text;
  return written(lines, place.line, 1, line.strokes.toSpliced(place.at, 1));
}

/**
 * Moves one stroke of a script text before the one before it, or behind the one after it. Comments, empty lines and the
 * lines of other strokes stay as they are written.
 *
 * @param index of the stroke, from 0; where it or its neighbour is missing the text comes back as it is
 */
export function withStrokeMoved(text: string, index: number, by: -1 | 1): string {
  const lines = linesOf(text);
  const first = placeOf(lines, Math.min(index, index + by));
  const second = placeOf(lines, Math.max(index, index + by));
  if (!first || !second) return text;
  const between = lines.slice(first.line, second.line + 1);
  const strokes = between.flatMap((line) => line.strokes);
  const swapped = strokes.toSpliced(first.at, 2, ...strokes.slice(first.at, first.at + 2).reverse());
  return written(lines, first.line, between.length, swapped);
}

function linesOf(text: string): readonly Line[] {
  if (readScript(text).status === 'fault') return [];
  return text.split(/\r\n?|\n/).map((line) => {
    const reading = readScript(line);
    return { text: line, strokes: reading.status === 'read' ? reading.script : [] };
  });
}

/** Where a stroke stands: its line, and which stroke of that line it is. */
function placeOf(
  lines: readonly Line[],
  index: number,
): { readonly line: number; readonly at: number } | null {
  let at = index;
  if (at < 0) return null;
  for (const [line, { strokes }] of lines.entries()) {
    if (at < strokes.length) return { line, at };
    at -= strokes.length;
  }
  return null;
}

/** The text with some lines written anew; what those said besides their strokes stays, before them. */
function written(lines: readonly Line[], from: number, count: number, strokes: readonly Stroke[]): string {
  const old = lines.slice(from, from + count);
  const kept = old.flatMap(({ text, strokes }) => (strokes.length === 0 ? [text] : commentOf(text)));
  const anew = strokes.length > 0 ? [formatScript(strokes)] : [];
  return [
    ...lines.slice(0, from).map(({ text }) => text),
    ...kept,
    ...anew,
    ...lines.slice(from + count).map(({ text }) => text),
  ].join('\n');
}

/** The comment behind a statement: what can be cut off without a change of strokes. */
function commentOf(line: string): readonly string[] {
  for (const { index } of line.matchAll(/(?<=\s)#/g)) {
    const before = readScript(line.slice(0, index));
    const rest = readScript(line.slice(index));
    if (before.status === 'read' && rest.status === 'read' && rest.script.length === 0)
      return [line.slice(index)];
  }
  return [];
}
