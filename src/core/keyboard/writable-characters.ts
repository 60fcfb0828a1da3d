import { charactersOf, type Keyboard } from './keyboard';
import { hasEmoji } from './keyboards';

/** What a person can write with a keyboard. */
export interface WritableCharacters {
  /** Each one code point, besides emoji. */
  readonly characters: ReadonlySet<string>;
  /** A grapheme that stands on no key is put together of its code points, as a letter and its vowel sign are. */
  readonly has: (grapheme: string) => boolean;
}

const found = new WeakMap<Keyboard, WritableCharacters>();

/**
 * @param separators signs before decimals of which one stands on the keyboard of a language, by the country: where more than one is named
 *   the country is not known, and each is taken to be there
 */
export function writableWith(keyboard: Keyboard, separators: readonly string[]): WritableCharacters {
  const known = found.get(keyboard);
  if (known) return known;
  const keys = charactersOf(keyboard);
  const characters = new Set([
    ...keys,
    ...(keyboard.written?.characters ?? []),
    ...uncertain(keys, separators),
  ]);
  const emoji = hasEmoji(keyboard);
  const isOne = (character: string) => characters.has(character) || (emoji && isEmoji(character));
  const has = (grapheme: string) =>
    isOne(grapheme) || isOne(grapheme.normalize('NFC')) || [...grapheme].every(isOne);
  const writable = { characters, has };
  found.set(keyboard, writable);
  return writable;
}

/**
 * Which digits a pad brings in a language that has its own, and which sign before decimals, depends on the phone's settings, and nobody has
 * measured it: those that may be there are taken to be there.
 */
function uncertain(keys: ReadonlySet<string>, separators: readonly string[]): string[] {
  const hasDigits = [...keys].some((key) => /^\p{Nd}$/u.test(key));
  const hasSeparator = separators.some((sign) => keys.has(sign));
  return [...(hasDigits ? '0123456789' : ''), ...(hasSeparator ? separators : [])];
}

function isEmoji(character: string): boolean {
  return /^\p{Emoji_Presentation}/u.test(character);
}
