import type { Capitalization } from './input-traits';
import type { TextHabits } from './keyboard-habits';

/** What really comes into a field when a key is tapped, after the habits of its keyboard. */
export interface Inserted {
  /** The text before the caret that goes away first: a space that becomes a full stop, a quotation mark that turns. */
  readonly replaces: string;
  readonly text: string;
}

/**
 * What a tapped character becomes.
 * @param before the text before the caret
 * @param plain a field in which nothing is put right: addresses, secrets, numbers, codes
 */
export function insertedFor(character: string, before: string, habits: TextHabits, plain: boolean): Inserted {
  const as = (text: string, replaces = ''): Inserted => ({ replaces, text });
  if (plain) return as(character);
  if (habits.doubleSpace && character === ' ' && /[\p{L}\p{N}"”’)] $/u.test(before)) return as('. ', ' ');
  if (!habits.smartPunctuation) return as(character);
  if (character === '-' && before.endsWith('-')) return as('—', '-');
  const opens = before === '' || /[\s([{—-]$/u.test(before);
  if (character === '"') return as(opens ? '“' : '”');
  if (character === "'") return as(opens ? '‘' : '’');
  return as(character);
}

/** The layer that is up by itself: capitals where the field wants them (HTML Standard, "Autocapitalization"). */
export function wantsCapitals(before: string, autocapitalize: Capitalization): boolean {
  switch (autocapitalize) {
    case 'none':
      return false;
    case 'characters':
      return true;
    case 'words':
      return /(?:^|\s)$/u.test(before);
    case 'sentences':
      return /(?:^|[.!?]\s+|\n)$/u.test(before);
  }
}

/** A secret as it is shown while the last character is still to be seen. */
export function maskedText(text: string, { mask, revealed }: TextHabits, isLastShown: boolean): string {
  const letters = Array.from(text);
  return letters
    .map((letter, index) => (isLastShown && revealed > 0 && index === letters.length - 1 ? letter : mask))
    .join('');
}
