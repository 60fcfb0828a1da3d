import type { CaretMove } from './editing-buffer';
import type { ModifierKey } from './stroke';

/** How a field moves its caret by keys. */
export interface CaretKeys {
  /** It has several lines. */
  readonly lines: boolean;
  /** Moves by words stop at punctuation marks too. */
  readonly marks: boolean;
  /** Page keys go to the ends of a one-line field. */
  readonly pages: boolean;
}

/** Where a key moves the caret on Linux and Windows; null for keys that do not. */
export function caretMoveOf(
  key: string,
  modifiers: readonly ModifierKey[],
  { lines, marks, pages }: CaretKeys,
): CaretMove | null {
  if (modifiers.includes('Alt') || modifiers.includes('Meta')) return null;
  const far = modifiers.includes('Control');
  switch (key) {
    case 'ArrowLeft':
      return far ? (marks ? 'previous word or mark' : 'previous word') : 'previous grapheme';
    case 'ArrowRight':
      return far ? (marks ? 'next word or mark' : 'next word') : 'next grapheme';
    case 'Home':
      return far || !lines ? 'text start' : 'line start';
    case 'End':
      return far || !lines ? 'text end' : 'line end';
    case 'ArrowUp':
      return lines ? 'line up' : 'text start';
    case 'ArrowDown':
      return lines ? 'line down' : 'text end';
    case 'PageUp':
      return pages && !lines ? 'text start' : null;
    case 'PageDown':
      return pages && !lines ? 'text end' : null;
    default:
      return null;
  }
}
