/** How many steps were counted over a text. */
export interface Counted {
  readonly times: number;
  readonly steps: number;
  /** UTF-16 code units. */
  readonly length: number;
  /** It would have been more. */
  readonly isCut: boolean;
}

/** Where an automaton says that the ways double, so much from one count to the next confirms it. */
const confirming = 1.5;
/** What is not counted to the end over so short a text, UTF-16 code units, is no power of its length that anybody would write. */
const shortest = 30;

/**
 * The power of the length with which counts grow, by the last two that were counted to the end.
 *
 * @param isLeast of what is cut off over a short text, the least that it can be will do
 * @returns null where too few were counted
 */
export function exponentOf(counted: readonly Counted[], isLeast: boolean): number | null {
  const uncut = counted.filter(({ isCut }) => !isCut);
  if (uncut.length >= 3) return exponents(uncut).at(-1) ?? null;
  const isHigh = counted.some(({ isCut, length }) => isCut && length <= shortest);
  return isLeast && isHigh && counted.length > 1 ? Math.max(...exponents(counted)) : null;
}

function exponents(counted: readonly Counted[]): number[] {
  return counted.slice(1).map(({ steps, times }, at) => {
    const before = counted[at] as Counted;
    return Math.log(steps / before.steps) / Math.log(times / before.times);
  });
}

/**
 * Whether counts for texts of equal steps in length grow by a factor that does not get smaller: a power of the length grows by
 * less and less.
 */
export function isDoubling(counts: readonly number[]): boolean {
  const ratios = ratiosOf(counts);
  const [before = 0, last = 0] = ratios.slice(-2);
  return ratios.length >= 3 && last >= 1.8 && last >= 0.9 * before;
}

/** Few counts are enough: the worse it is, the fewer there are. */
export function isConfirmed(counted: readonly Counted[]): boolean {
  if (counted.some(({ isCut, length }) => isCut && length <= shortest)) return true;
  const ratios = ratiosOf(counted.filter(({ isCut }) => !isCut).map(({ steps }) => steps));
  return ratios.length > 0 && ratios.slice(-2).every((ratio) => ratio >= confirming);
}

function ratiosOf(counts: readonly number[]): number[] {
  return counts.slice(1).map((count, at) => count / Math.max(counts[at] as number, 1));
}
