import { graphemes } from '../script/graphemes';
import type { Table } from './table';
import { acceptsSomeOf } from './text-over';
import { wordsWith } from './words-with';

/** Most texts that are looked at for each rule. */
const most = 40;

/**
 * Texts that a rule accepts, that people have to give, and that cannot be written with these characters. Of a rule that takes nothing of
 * them, the shortest; of one that takes more, a number with a sign, or with a fraction. Whatever else a rule takes besides can be written
 * otherwise: what it merely allows is not needed.
 *
 * @param characters all that can be typed
 * @param isAccepted whether a text is right by all that is asked of it
 */
export function neededTexts(
  table: Table,
  characters: Iterable<string>,
  isThere: (character: string) => boolean,
  isAccepted: (text: string) => boolean,
): string[] {
  if (!acceptsSomeOf(table, characters)) {
    const words = wordsWith(table, (character) => !isThere(character), most);
    return words.filter(isAccepted).slice(0, 1);
  }
  const found = [signedNumber(table, isThere, isAccepted), fraction(table, isThere, isAccepted)];
  return found.filter((text) => text !== undefined);
}

function signedNumber(
  table: Table,
  isThere: (character: string) => boolean,
  isAccepted: (text: string) => boolean,
): string | undefined {
  if (isThere('-')) return undefined;
  const words = wordsWith(table, (character) => character === '-', most);
  // What takes the sign elsewhere too is no number.
  return words.find((word) => /^-\d+$/.test(word) && isAccepted(word) && !isAccepted(`${word.slice(1)}-`));
}

/** What stands before decimals, in one language or another. */
const decimalSigns = ['.', ',', '٫'] as const;

/** A number with a fraction that can be written with none of the signs that the rule takes and that are there. */
function fraction(
  table: Table,
  isThere: (character: string) => boolean,
  isAccepted: (text: string) => boolean,
): string | undefined {
  const words = decimalSigns.flatMap((sign) => wordsWith(table, (character) => character === sign, 1));
  const fractions = words.filter((word) => /^\p{Nd}+[.,٫]\p{Nd}+$/u.test(word) && isAccepted(word));
  const numbers = fractions.filter((word) => isNumber(word, isAccepted));
  return numbers.every((word) => graphemes(word).some((one) => !isThere(one))) ? numbers[0] : undefined;
}

/** What takes a second sign is no number, nor is what takes nothing less than all its digits: the sign stands between groups of them. */
function isNumber(word: string, isAccepted: (text: string) => boolean): boolean {
  const sign = word.search(/[.,٫]/);
  return isAccepted(word.slice(0, sign)) && !isAccepted(word + word.slice(sign));
}
