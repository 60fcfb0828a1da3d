/** Classes of characters, by what Unicode calls them. */
export const characterClasses = {
  letters: '\\p{L}\\p{M}',
  'upper-case letters': '\\p{Lu}',
  'lower-case letters': '\\p{Ll}',
  'ASCII letters': 'A-Za-z',
  digits: '\\p{Nd}',
  'ASCII digits': '0-9',
  spaces: '\\p{Zs}',
  punctuation: '\\p{P}',
  symbols: '\\p{S}',
  'emoji parts': '\\p{Extended_Pictographic}\\p{Emoji_Modifier}\\p{Regional_Indicator}\\u200d\\ufe0f',
  'control characters': '\\p{Cc}',
  'invisible characters': '\\p{Cf}',
} as const;
export type CharacterClass = keyof typeof characterClasses;

/** Characters by their classes and by an own list; code points. */
export interface CharacterSet {
  readonly classes: readonly CharacterClass[];
  readonly own: string;
}

const matchers = new Map<string, RegExp>();

function matcherOf({ classes, own }: CharacterSet): RegExp {
  const key = JSON.stringify([classes, own]);
  const known = matchers.get(key);
  if (known) return known;
  const listed = Array.from(own, (one) => `\\u{${(one.codePointAt(0) ?? 0).toString(16)}}`).join('');
  const all = classes.map((name) => characterClasses[name]).join('') + listed;
  const matcher = all === '' ? /(?!)/u : new RegExp(`^[${all}]$`, 'u');
  if (matchers.size > 200) matchers.clear();
  matchers.set(key, matcher);
  return matcher;
}

/** True when the code point is in the set. */
export function isInSet(set: CharacterSet, codePoint: string): boolean {
  return matcherOf(set).test(codePoint);
}

/** The set in a few words. */
export function setName({ classes, own }: CharacterSet): string {
  return [...classes, ...(own === '' ? [] : [own])].join(', ') || 'nothing';
}
