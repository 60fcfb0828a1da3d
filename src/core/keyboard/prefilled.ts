import { type Field, isTypedText } from '../html/field';
import { fieldStateOf } from '../standard/field-state';
import type { TextWithCaret } from './tapping';

/** What a field holds that a finger has just tapped: what its markup put there, which has to be deleted before another text. */
export function prefilled(field: Field): TextWithCaret {
  const text = isTypedText(field.kind) ? fieldStateOf(field).currentValue : '';
  return { text, caret: { start: text.length, end: text.length } };
}
