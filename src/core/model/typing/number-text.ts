import type { Ways } from '../../standard/ways';
import type { TypingHabits } from '../../target/typing-habits';
import { numberFieldValue } from '../number-filter';

/** The value that a target gives for a text in a number field; empty when that is no number. */
export function typedNumberValue(text: string, habits: TypingHabits, ways: Ways): string {
  const plain = habits.wideDigits ? text.replace(/[０-９]/g, (digit) => digit.normalize('NFKC')) : text;
  if (habits.numberValue === 'strict') return ways.sanitizeNumber(plain.replace(/^(-?\d+)\.$/, '$1'));
  return numberFieldValue(habits.numberFilter === 'keeps out' ? plain : plain.trim());
}
