import type { FieldKind } from '../../html/field';
import type { EditingBuffer } from '../../script/editing-buffer';
import { graphemes } from '../../script/graphemes';
import { admittedNumberText } from '../deviations/number-filter';
import type { TypingHabits } from '../deviations/typing-habits';

/** What decides about a text before any guard of the page's own. */
export interface Admission {
  readonly kind: FieldKind;
  /** UTF-16 code units; null without a limit. */
  readonly maxlength: number | null;
  readonly habits: Pick<TypingHabits, 'numberFilter' | 'astralKeys'>;
}

/** What the target itself lets in: the kind's filter, then the room that maxlength leaves, never within a grapheme. */
export function admittedText(
  { kind, maxlength, habits }: Admission,
  { text: all, start, end }: EditingBuffer,
  text: string,
): string {
  if (kind === 'number' && habits.numberFilter === 'keeps out')
    return admittedNumberText(all.slice(0, start), all.slice(end), text);
  if (maxlength === null) return text;
  const room = Math.max(0, maxlength - (all.length - (end - start)));
  if (text.length <= room) return text;
  if (habits.astralKeys === 'in two halves') return text.slice(0, room);
  let kept = '';
  for (const one of graphemes(text)) {
    if (kept.length + one.length > room) break;
    kept += one;
  }
  return kept;
}
