import { graphemes } from './graphemes';

/** The text in a field and its selection, offsets in UTF-16 code units, `start` ≤ `end`. */
export interface EditingBuffer {
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** The selection was made backwards: Shift with an arrow moves its start. */
  readonly backward?: true;
}

export function bufferOf(text: string): EditingBuffer {
  return { text, start: text.length, end: text.length };
}

export function caretAt(text: string, at: number): EditingBuffer {
  return { text, start: at, end: at };
}

export function selectAll({ text }: EditingBuffer): EditingBuffer {
  return { text, start: 0, end: text.length };
}

export function isCaret({ start, end }: Pick<EditingBuffer, 'start' | 'end'>): boolean {
  return start === end;
}

export function selectedText({ text, start, end }: EditingBuffer): string {
  return text.slice(start, end);
}

/** The selection replaced by `inserted`, the caret behind it. */
export function insertText({ text, start, end }: EditingBuffer, inserted: string): EditingBuffer {
  return caretAt(text.slice(0, start) + inserted + text.slice(end), start + inserted.length);
}

/** Where a caret goes from one place in a text. */
type Boundary = (text: string, at: number) => number;

const previousGrapheme: Boundary = (text, at) => at - (graphemes(text.slice(0, at)).at(-1)?.length ?? 0);
const nextGrapheme: Boundary = (text, at) => at + (graphemes(text.slice(at))[0]?.length ?? 0);

const wordSegmenter = new Intl.Segmenter('en', { granularity: 'word' });

/** Places where words begin and end, as UAX 29 parts them; with `marks`, punctuation marks count as words. */
function wordsIn(text: string, marks: boolean): { readonly start: number; readonly end: number }[] {
  return Array.from(wordSegmenter.segment(text)).flatMap(({ segment, index, isWordLike }) =>
    isWordLike || (marks && segment.trim() !== '') ? [{ start: index, end: index + segment.length }] : [],
  );
}

/** To the beginning of the word before. */
function previousWord(marks: boolean): Boundary {
  return (text, at) => wordsIn(text, marks).findLast(({ start }) => start < at)?.start ?? 0;
}

/** To the end of the word after. */
function nextWord(marks: boolean): Boundary {
  return (text, at) => wordsIn(text, marks).find(({ end }) => end > at)?.end ?? text.length;
}

/** What stands between line feeds; however it wraps. */
const lineStart: Boundary = (text, at) => text.lastIndexOf('\n', at - 1) + 1;
const lineEnd: Boundary = (text, at) => {
  const end = text.indexOf('\n', at);
  return end === -1 ? text.length : end;
};

/** Up or down a line at the same column; on the first and the last line, to its end. */
function otherLine(direction: -1 | 1): Boundary {
  return (text, at) => {
    const [start, end] = [lineStart(text, at), lineEnd(text, at)];
    if (direction < 0 ? start === 0 : end === text.length) return direction < 0 ? 0 : text.length;
    const from = direction < 0 ? lineStart(text, start - 1) : end + 1;
    return Math.min(from + at - start, lineEnd(text, from));
  };
}

export type CaretMove =
  | 'previous grapheme'
  | 'next grapheme'
  | 'previous word'
  | 'next word'
  | 'previous word or mark'
  | 'next word or mark'
  | 'line start'
  | 'line end'
  | 'line up'
  | 'line down'
  | 'text start'
  | 'text end';

const boundaries: Readonly<Record<CaretMove, Boundary>> = {
  'previous grapheme': previousGrapheme,
  'next grapheme': nextGrapheme,
  'previous word': previousWord(false),
  'next word': nextWord(false),
  'previous word or mark': previousWord(true),
  'next word or mark': nextWord(true),
  'line start': lineStart,
  'line end': lineEnd,
  'line up': otherLine(-1),
  'line down': otherLine(1),
  'text start': () => 0,
  'text end': (text) => text.length,
};

/** Moves the caret; with a selection, one grapheme to a side collapses it to that side. */
export function moveCaret(buffer: EditingBuffer, move: CaretMove): EditingBuffer {
  const { text, start, end } = buffer;
  if (start !== end && move === 'previous grapheme') return caretAt(text, start);
  if (start !== end && move === 'next grapheme') return caretAt(text, end);
  return caretAt(text, boundaries[move](text, buffer.backward ? start : end));
}

/** Moves the end of the selection that moves, as Shift does. */
export function extendSelection(buffer: EditingBuffer, move: CaretMove): EditingBuffer {
  const { text, start, end } = buffer;
  const [anchor, from] = buffer.backward ? [end, start] : [start, end];
  const to = boundaries[move](text, from);
  return to < anchor ? { text, start: to, end: anchor, backward: true } : { text, start: anchor, end: to };
}

/** Takes away the selection, or what stands between the caret and where the move goes. */
export function deleteTo(buffer: EditingBuffer, move: CaretMove): EditingBuffer {
  if (!isCaret(buffer)) return insertText(buffer, '');
  const to = boundaries[move](buffer.text, buffer.start);
  return insertText(
    { text: buffer.text, start: Math.min(to, buffer.start), end: Math.max(to, buffer.start) },
    '',
  );
}
