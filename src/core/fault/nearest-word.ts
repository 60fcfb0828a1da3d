import slipsBetween from 'damerau-levenshtein';

/** The word that is one slip away, or two in a long one: a letter more, less, another or swapped. Null where several are as near, or none. */
export function nearest(word: string, words: readonly string[]): string | null {
  const far = word.length > 6 ? 2 : 1;
  const near = words
    .map((one) => ({ one, slips: slipsBetween(word, one).steps }))
    .filter(({ slips }) => slips <= far)
    .sort((a, b) => a.slips - b.slips);
  const [first, second] = near;
  return first && first.slips > 0 && first.slips !== second?.slips ? first.one : null;
}
