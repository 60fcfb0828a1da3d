import { attributeOf, type Element, textOf } from './parse-markup';

export type Direction = 'ltr' | 'rtl';

/** Letters of scripts that are written from right to left (Unicode, bidirectional classes R and AL). */
const rightToLeft =
  /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}\p{Script=Samaritan}\p{Script=Mandaic}\p{Script=Adlam}]/u;

/** The direction of the first strong letter of a text, or null when it has none. */
export function directionOfText(text: string): Direction | null {
  for (const letter of text) {
    if (!/\p{L}/u.test(letter)) continue;
    return rightToLeft.test(letter) ? 'rtl' : 'ltr';
  }
  return null;
}

/** HTML Standard, "The dir attribute": the directionality that stands in force inside of the innermost of these elements. */
export function directionOf(ancestors: readonly Element[]): Direction {
  for (const element of ancestors.toReversed()) {
    const dir = attributeOf(element, 'dir')?.toLowerCase();
    if (dir === 'ltr' || dir === 'rtl') return dir;
    if (dir === 'auto' || (element.tagName === 'bdi' && dir === undefined))
      return directionOfText(textOf(element)) ?? 'ltr';
  }
  return 'ltr';
}
