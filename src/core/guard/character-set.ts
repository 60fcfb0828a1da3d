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

interface Matcher {
  /** By code point: whether an ASCII character belongs. */
  readonly ascii: readonly boolean[];
  readonly all: RegExp;
}

const matchers = new WeakMap<CharacterSet, Matcher>();

function matcherOf(set: CharacterSet): Matcher {
  const known = matchers.get(set);
  if (known) return known;
  const inside = insideOf(set);
  const all = inside === '' ? /(?!)/u : new RegExp(`^[${inside}]$`, 'u');
  const ascii = Array.from({ length: 128 }, (_, code) => all.test(String.fromCharCode(code)));
  const matcher = { ascii, all };
  matchers.set(set, matcher);
  return matcher;
}

/** What stands between the brackets of a class with the u flag; empty for no character at all. */
export function insideOf({ classes, own }: CharacterSet): string {
  return classes.map((name) => characterClasses[name]).join('') + literalPattern(own);
}

/** A text as a pattern with the u or the v flag that matches just it. */
export function literalPattern(text: string): string {
  return Array.from(text, (one) => `\\u{${(one.codePointAt(0) ?? 0).toString(16)}}`).join('');
}

/** True when the code point is in the set. */
export function isInSet(set: CharacterSet, codePoint: string): boolean {
  const { ascii, all } = matcherOf(set);
  return ascii[codePoint.codePointAt(0) ?? -1] ?? all.test(codePoint);
}

/** The characters of a text that are in the set, or those that are not; the text itself where that is all of it. */
export function keptOf(set: CharacterSet, text: string, belong: boolean): string {
  const { ascii, all } = matcherOf(set);
  let kept = '';
  // Behind the last character that was left out: what belongs is copied in pieces, mostly in one.
  let from = 0;
  for (let at = 0; at < text.length; ) {
    const code = text.charCodeAt(at);
    const known = ascii[code];
    const one = known === undefined ? String.fromCodePoint(text.codePointAt(at) ?? code) : '';
    const next = at + (one.length || 1);
    if ((known ?? all.test(one)) !== belong) {
      kept += text.slice(from, at);
      from = next;
    }
    at = next;
  }
  return from === 0 ? text : kept + text.slice(from);
}
