import { ownEntry } from '../html/own-entry';
import { neededTexts } from '../pattern/needed-text';
import { patternTable } from '../pattern/pattern-table';
import { acceptsText } from '../pattern/table';
import { GaveUp } from '../regexp/budget';

/** What a keypad that `inputmode` asks for is sure to have (HTML Standard, "Input modalities: the inputmode attribute"). */
const keypads: Readonly<Record<string, string>> = {
  numeric: '0123456789',
  decimal: '0123456789.,',
  tel: '0123456789*#+ ',
};

/**
 * A character that a pattern needs and the keypad of an input mode may lack; null when there is none, or nobody can tell. What can be
 * left out is not missing.
 */
export function missingOnKeypad(inputmode: string, pattern: string): string | null {
  const keypad = ownEntry(keypads, inputmode.toLowerCase());
  if (keypad === undefined) return null;
  try {
    const rule = patternTable({ source: pattern, match: 'whole' });
    if (rule.status !== 'known') return null;
    const { table } = rule;
    const isThere = (character: string) => keypad.includes(character);
    const [needed = ''] = neededTexts(table, keypad, isThere, (value) => acceptsText(table, value));
    return [...needed].find((character) => !isThere(character)) ?? null;
  } catch (error) {
    if (error instanceof GaveUp) return null;
    throw error;
  }
}
