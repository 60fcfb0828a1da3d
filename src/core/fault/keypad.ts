import { visitRegExpAST } from '@eslint-community/regexpp';
import { ownEntry } from '../html/own-entry';
import { syntaxOf } from '../regexp/syntax';

/** What a keypad that `inputmode` asks for is sure to have (HTML Standard, "Input modalities: the inputmode attribute"). */
const keypads: Readonly<Record<string, RegExp>> = {
  numeric: /[0-9]/,
  decimal: /[0-9.,]/,
  tel: /[0-9*#+ ]/,
};

/** A character that a pattern takes and the keypad of an input mode may lack; null when there is none, or nobody can tell. */
export function missingOnKeypad(inputmode: string, pattern: string): string | null {
  const keypad = ownEntry(keypads, inputmode.toLowerCase());
  if (!keypad) return null;
  const missing: string[] = [];
  try {
    for (const row of syntaxOf(pattern))
      visitRegExpAST(row, {
        onCharacterEnter({ value, parent }) {
          const letter = String.fromCodePoint(value);
          if (parent.type !== 'CharacterClassRange' && !keypad.test(letter)) missing.push(letter);
        },
        onCharacterClassRangeEnter({ min }) {
          const letter = String.fromCodePoint(min.value);
          if (!keypad.test(letter)) missing.push(letter);
        },
      });
  } catch {
    return null;
  }
  return missing[0] ?? null;
}
