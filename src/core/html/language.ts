import { attributeOf, type Element } from './parse-markup';

/**
 * The language of an element (HTML Standard, "The lang and xml:lang attributes"): that of the innermost of these that says one.
 *
 * @param path from the outermost ancestor to the element itself
 * @returns a language tag as it is written; null where none is said, or where it is said to be unknown
 */
export function languageOf(path: readonly Element[]): string | null {
  for (const element of path.toReversed()) {
    const language = attributeOf(element, 'lang')?.trim();
    if (language !== undefined) return language === '' ? null : language;
  }
  return null;
}
