import { graphemes } from './stroke';

/** The text in a field and its selection, offsets in UTF-16 code units, `start` ≤ `end`. */
export interface EditingBuffer {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

export function bufferOf(text: string): EditingBuffer {
  return { text, start: text.length, end: text.length };
}

function caretAt(text: string, at: number): EditingBuffer {
  return { text, start: at, end: at };
}

/** The selection replaced by `inserted`, the caret behind it. */
export function insertText({ text, start, end }: EditingBuffer, inserted: string): EditingBuffer {
  return caretAt(text.slice(0, start) + inserted + text.slice(end), start + inserted.length);
}

function previousBoundary(text: string, at: number): number {
  const before = graphemes(text.slice(0, at));
  return at - (before.at(-1)?.length ?? 0);
}

function nextBoundary(text: string, at: number): number {
  return at + (graphemes(text.slice(at))[0]?.length ?? 0);
}

/** Backspace: the selection, or else the grapheme before the caret. */
export function deleteBackward(buffer: EditingBuffer): EditingBuffer {
  if (buffer.start !== buffer.end) return insertText(buffer, '');
  return insertText({ ...buffer, start: previousBoundary(buffer.text, buffer.start) }, '');
}

/** Delete: the selection, or else the grapheme after the caret. */
export function deleteForward(buffer: EditingBuffer): EditingBuffer {
  if (buffer.start !== buffer.end) return insertText(buffer, '');
  return insertText({ ...buffer, end: nextBoundary(buffer.text, buffer.end) }, '');
}

export type CaretKey = 'ArrowLeft' | 'ArrowRight' | 'Home' | 'End';

export function isCaretKey(key: string): key is CaretKey {
  return key === 'ArrowLeft' || key === 'ArrowRight' || key === 'Home' || key === 'End';
}

/** A caret key without modifiers; with a selection, left and right collapse it to that side. */
export function moveCaret({ text, start, end }: EditingBuffer, key: CaretKey): EditingBuffer {
  switch (key) {
    case 'Home':
      return caretAt(text, 0);
    case 'End':
      return caretAt(text, text.length);
    case 'ArrowLeft':
      return caretAt(text, start === end ? previousBoundary(text, start) : start);
    case 'ArrowRight':
      return caretAt(text, start === end ? nextBoundary(text, end) : end);
  }
}
