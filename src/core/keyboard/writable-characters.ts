import { charactersOf, type Keyboard } from './keyboard';
import { hasEmoji } from './keyboards';

/** What a person can write with a keyboard. */
export interface WritableCharacters {
  /** Each one code point, besides emoji. */
  readonly characters: ReadonlySet<string>;
  /** A grapheme that stands on no key is put together of its code points, as a letter and its vowel sign are. */
  readonly has: (grapheme: string) => boolean;
}

/**
 * @param separators signs before decimals of which one stands on the keyboard of a language, by the country: where more than one is named
 *   the country is not known, and each is taken to be there
 */
export function writableWith(keyboard: Keyboard, separators: readonly string[]): WritableCharacters {
  const sure = surelyWritten(keyboard);
  const more = uncertain(sure, separators).filter((sign) => !sure.has(sign));
  const characters = more.length === 0 ? sure : new Set([...sure, ...more]);
  const emoji = hasEmoji(keyboard);
  const isOne = (character: string) => characters.has(character) || (emoji && isEmoji(character));
  const has = (grapheme: string) =>
    isOne(grapheme) || isOne(grapheme.normalize('NFC')) || [...grapheme].every(isOne);
  return { characters, has };
}

const written = new WeakMap<Keyboard, ReadonlySet<string>>();

/** What its keys bring, and what is written with it besides: an input method makes very many. */
function surelyWritten(keyboard: Keyboard): ReadonlySet<string> {
  const known = written.get(keyboard);
  const all = known ?? new Set([...charactersOf(keyboard), ...(keyboard.written?.characters ?? [])]);
  written.set(keyboard, all);
  return all;
}

/**
 * Which digits a pad brings in a language that has its own, and which sign before decimals, depends on the phone's settings, and nobody has
 * measured it: those that may be there are taken to be there.
 */
function uncertain(keys: ReadonlySet<string>, separators: readonly string[]): string[] {
  const hasSeparator = separators.some((sign) => keys.has(sign));
  return [...(hasDigit(keys) ? '0123456789' : ''), ...(hasSeparator ? separators : [])];
}

/** The first is enough: there may be very many others. */
function hasDigit(characters: ReadonlySet<string>): boolean {
  for (const character of characters) if (/^\p{Nd}$/u.test(character)) return true;
  return false;
}

function isEmoji(character: string): boolean {
  return /^\p{Emoji_Presentation}/u.test(character);
}
