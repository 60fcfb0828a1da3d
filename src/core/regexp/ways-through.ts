import type { AST } from '@eslint-community/regexpp';
import { namesTexts } from './program';

/** Up to so many ways through a text, a matcher that tries one after the other is done at once. */
export const fewWays = 2000;

/**
 * How many ways there are at most through a text for a matcher that goes back and tries again; ∞ where that cannot be bounded.
 * @param length of the text, UTF-16 code units
 */
export function waysThrough(alternatives: readonly AST.Alternative[], length: number): number {
  let all = 0;
  for (const { elements } of alternatives) {
    let ways = 1;
    for (const element of elements) ways *= waysOf(element, length);
    all += ways;
  }
  return all;
}

function waysOf(element: AST.Element, length: number): number {
  switch (element.type) {
    case 'Group':
    case 'CapturingGroup':
      return waysThrough(element.alternatives, length);
    case 'Assertion':
      return 'alternatives' in element ? 1 + waysThrough(element.alternatives, length) : 1;
    case 'Quantifier': {
      const { min, max } = element;
      const inside = waysOf(element.element, length);
      // A round may take nothing: rounds that have to come can be more than the text has characters.
      const most = Math.max(min, Math.min(max, length + 1));
      return Math.min(inside ** most * (most - min + 1), Number.MAX_VALUE);
    }
    case 'CharacterClass':
    case 'ExpressionCharacterClass':
    case 'CharacterSet':
      // Of the texts that a class names, one may be the beginning of another.
      return namesTexts.test(element.raw) ? element.raw.length : 1;
    default:
      return 1;
  }
}
