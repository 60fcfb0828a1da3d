import { RegExpParser, visitRegExpAST } from '@eslint-community/regexpp';

/** What a keypad that `inputmode` asks for is sure to have (HTML Standard, "Input modalities: the inputmode attribute"). */
const keypads: Readonly<Record<string, RegExp>> = {
  numeric: /[0-9]/,
  decimal: /[0-9.,]/,
  tel: /[0-9*#+ ]/,
};

const parser = new RegExpParser({ ecmaVersion: 2024 });

/** A character that a pattern takes and the keypad of an input mode may lack; null when there is none, or nobody can tell. */
export function missingOnKeypad(inputmode: string, pattern: string): string | null {
  const keypad = keypads[inputmode.toLowerCase()];
  if (!keypad) return null;
  const missing: string[] = [];
  try {
    visitRegExpAST(parser.parsePattern(pattern, 0, pattern.length, { unicodeSets: true }), {
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
