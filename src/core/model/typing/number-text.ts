import type { Deviations } from '../../standard/deviations';
import { numberFieldValue } from '../deviations/number-filter';
import type { TypingHabits } from '../deviations/typing-habits';

/** The value that a target gives for a text in a number field; empty when that is no number. */
export function typedNumberValue(text: string, habits: TypingHabits, deviations: Deviations): string {
  const plain = habits.wideDigits ? text.replace(/[０-９]/g, (digit) => digit.normalize('NFKC')) : text;
  if (habits.numberValue === 'strict') return deviations.sanitizeNumber(plain.replace(/^(-?\d+)\.$/, '$1'));
  return numberFieldValue(habits.numberFilter === 'keeps out' ? plain : plain.trim());
}
