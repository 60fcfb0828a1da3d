import { forceParsing, language } from '@codemirror/language';
import type { EditorView } from '@codemirror/view';

/** How long the page may wait for colours at a time, ms. */
const colouringTime = 25;
/** How far below what is in sight is coloured, UTF-16 code units. */
const colouredAhead = 100_000;

/**
 * Colours what is in sight and some way on in short tasks, the first of them next: left to itself, the editor works for a tenth of a
 * second at a time. What has no language has no colours.
 *
 * @returns ends it
 */
export function colourAhead(view: EditorView): () => void {
  let next = setTimeout(function colour() {
    const end = Math.min(view.state.doc.length, view.viewport.to + colouredAhead);
    const isOver = view.state.facet(language) === null || forceParsing(view, end, colouringTime);
    if (!isOver) next = setTimeout(colour);
  });
  return () => clearTimeout(next);
}
