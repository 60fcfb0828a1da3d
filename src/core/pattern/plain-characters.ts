/** Characters that are shown first where any of a set would do, the plainest first. */
export const plainest: readonly string[] = [
  ...'aA1-.,+/@:_#*() ',
  ...Array.from({ length: 95 }, (_, index) => String.fromCharCode(0x20 + index)),
  ...'éäöüßåñçøæ',
  '😀',
];
const rank = new Map<string, number>();
for (const [index, character] of plainest.entries()) if (!rank.has(character)) rank.set(character, index);

/** A range with at most so many characters was named on purpose. */
const namedRange = 100;

/** Characters of a range of code points, both ends included: the plainest that are in it, and all of a short one. */
export function charactersIn(min: number, max: number): string[] {
  const named =
    max - min < namedRange
      ? Array.from({ length: max - min + 1 }, (_, index) => String.fromCodePoint(min + index))
      : [];
  return [...new Set([...plainest.filter(within(min, max)), ...named.filter(canBeShown)])];
}

/** The first of the range that can be seen, or its first one. */
export function plainestIn(min: number, max: number): string {
  return (
    plainest.find(within(min, max)) ?? shownIn(min, max) ?? visibleIn(min, max) ?? String.fromCodePoint(min)
  );
}

function within(min: number, max: number): (character: string) => boolean {
  return (character) => {
    const code = character.codePointAt(0) ?? 0;
    return min <= code && code <= max;
  };
}

function canBeShown(character: string): boolean {
  return !/\p{C}|\p{Zl}|\p{Zp}/u.test(character);
}

/** The first of a range that was named on purpose. */
function shownIn(min: number, max: number): string | undefined {
  if (max - min >= namedRange) return undefined;
  for (let code = min; code <= max; code++) {
    const character = String.fromCodePoint(code);
    if (canBeShown(character)) return character;
  }
  return undefined;
}

function visibleIn(min: number, max: number): string | undefined {
  for (let code = min; code <= Math.min(max, min + 300); code++) {
    const character = String.fromCodePoint(code);
    if (/[\p{L}\p{N}\p{P}\p{S}]/u.test(character)) return character;
  }
  return undefined;
}

/** Whether a person sees a character, a space included. */
export function isSeen(character: string): boolean {
  return character === ' ' || !/[\p{C}\p{Z}]/u.test(character);
}

/** How plain a character is: the less, the plainer. */
export function plainness(character: string): number {
  return rank.get(character) ?? plainest.length;
}
