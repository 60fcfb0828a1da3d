import bidiFactory from 'bidi-js';
import { attributeOf, childElementsAndTexts, type Element } from './parse-markup';

export type Direction = 'ltr' | 'rtl';

const bidi = bidiFactory();

/** The direction of the first character of bidirectional class L, AL or R (HTML Standard, "The dir attribute"); null when there is none. */
export function directionOfText(text: string): Direction | null {
  for (const character of text) {
    const type = bidi.getBidiCharTypeName(character);
    if (type === 'L') return 'ltr';
    if (type === 'R' || type === 'AL') return 'rtl';
  }
  return null;
}

const directions = ['ltr', 'rtl', 'auto'];

/** Elements whose text does not tell the direction of what is around them. */
const apart = ['bdi', 'script', 'style', 'textarea'];

/** HTML Standard, "The dir attribute", contained text auto directionality. */
function containedDirection(element: Element): Direction | null {
  const open = childElementsAndTexts(element).reverse();
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (typeof next === 'string') {
      const direction = directionOfText(next);
      if (direction) return direction;
    } else if (!apart.includes(next.tagName) && dirOf(next) === null)
      open.push(...childElementsAndTexts(next).reverse());
  }
  return null;
}

/** The `dir` of an element in a state that there is; null where it has none. */
function dirOf(element: Element): string | null {
  const dir = attributeOf(element, 'dir')?.toLowerCase() ?? '';
  return directions.includes(dir) ? dir : null;
}

/** HTML Standard, "The dir attribute": the directionality that stands in force inside of the innermost of these elements. */
export function directionOf(ancestors: readonly Element[]): Direction {
  for (const element of ancestors.toReversed()) {
    const dir = dirOf(element);
    if (dir === 'ltr' || dir === 'rtl') return dir;
    if (dir === 'auto' || element.tagName === 'bdi') return containedDirection(element) ?? 'ltr';
  }
  return 'ltr';
}
