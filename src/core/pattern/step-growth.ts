import { Budget } from '../regexp/budget';
import { countedSteps } from '../regexp/compiled-pattern';
import type { Matching } from '../regexp/machine';
import type { Pattern } from '../regexp/pattern';
import { type Ambiguity, ambiguitiesOf } from './ambiguity';
import { slowTexts, textsOver } from './blow-up';
import { type Counted, exponentOf, isConfirmed, isDoubling } from './count-growth';
import { type SlowText, slowText } from './slow-text';

/** How many steps it takes to find out that a text does not match, by the times that the piece is repeated. */
export interface StepGrowth {
  readonly text: SlowText;
  readonly steps: readonly (readonly [times: number, steps: number])[];
  /** How steps grow with the length of the text: they double again and again, or are a power of it, which may be higher where counts were cut. */
  readonly grows: { readonly by: 'doubling' } | { readonly by: 'power'; readonly power: number };
}

/** Steps of automata that may be taken to find pieces over which ways grow. */
const stepsForPieces = 2_000_000;
/** Repetitions for which steps are counted, as far as a text can be so long; each by one where by two they are soon too many. */
const fewTimes = [
  [2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22, 24],
  [1, 2, 3, 4, 5, 6, 7, 8],
];
/** The same for a power of the length; the higher it is, the fewer repetitions can be counted to the end. */
const manyTimes = [
  [8, 16, 32, 64, 128, 256],
  [2, 4, 8, 16],
  [1, 2, 3, 4, 5, 6],
];
/** Fewer steps than that nobody notices, however they grow. */
const manySteps = 10_000;
/** Steps after which nobody counts on, over one text. */
export const mostSteps = 100_000;
/** Instructions that all counting together may take, for each sort of growth. */
const mostWork = 2_000_000;
/** From this power of the length on: what grows less is no more than in proportion to it. */
const leastPower = 1.7;

type Count = (text: string, most: number) => Matching;

/**
 * A text over which a matcher that tries every way takes steps that grow out of hand; null where there is none. Which piece makes them
 * grow is decided on the automaton and confirmed by counting steps over the pattern itself; patterns whose automaton cannot be drawn
 * are counted over typical pieces. Counted and not timed: the same everywhere.
 * @param longest UTF-16 code units that can be entered
 */
export function growthOfSteps(pattern: Pattern, longest: number): StepGrowth | null {
  const { source } = pattern;
  const count = countedSteps(pattern);
  if (!count) return null;
  const pieces = ambiguitiesOf(source, new Budget(stepsForPieces));
  const of = (grows: Ambiguity['grows']) => pieces.filter((one) => one.grows === grows).flatMap(textsOver);
  return (
    doubling(of('exponentially'), longest, count, true) ??
    doubling([...of('with a power'), ...slowTexts(source, pieces)], longest, count, false) ??
    power(of('with a power'), longest, count)
  );
}

/** @param isDecided whether an automaton says so already: then few counts are enough */
function doubling(
  texts: readonly SlowText[],
  longest: number,
  count: Count,
  isDecided: boolean,
): StepGrowth | null {
  const budget = { left: mostWork };
  for (const text of texts)
    for (const times of fewTimes) {
      const counted = countedOver(text, times, longest, count, budget);
      const uncut = counted.filter(({ isCut }) => !isCut).map(({ steps }) => steps);
      const isMany = uncut.length < counted.length || (uncut.at(-1) ?? 0) >= manySteps;
      if (isMany && (isDoubling(uncut) || (isDecided && isConfirmed(counted))))
        return { text, steps: told(counted), grows: { by: 'doubling' } };
      // Counted to the end: nothing more is seen in smaller steps.
      if (uncut.length === counted.length) break;
    }
  return null;
}

function power(texts: readonly SlowText[], longest: number, count: Count): StepGrowth | null {
  const budget = { left: mostWork };
  let worst: StepGrowth | null = null;
  for (const text of texts)
    for (const times of manyTimes) {
      const counted = countedOver(text, times, longest, count, budget);
      const isAll = counted.every(({ isCut }) => !isCut);
      const by = exponentOf(counted, times === manyTimes.at(-1));
      // Counted to the end of what can be entered: fewer repetitions tell nothing more.
      if (by === null && !isAll) continue;
      if (by !== null && by >= leastPower && (worst === null || powerOf(worst) < Math.round(by)))
        worst = { text, steps: told(counted), grows: { by: 'power', power: Math.round(by) } };
      break;
    }
  return worst;
}

function powerOf({ grows }: StepGrowth): number {
  return grows.by === 'power' ? grows.power : Number.POSITIVE_INFINITY;
}

const told = (counted: readonly Counted[]) => counted.map(({ times, steps }) => [times, steps] as const);

function countedOver(
  text: SlowText,
  counts: readonly number[],
  longest: number,
  count: Count,
  budget: { left: number },
): Counted[] {
  const found: Counted[] = [];
  for (const times of counts) {
    const tried = slowText(text, times);
    if (tried.length > longest || budget.left <= 0) break;
    const { steps, work, matches } = count(tried, mostSteps);
    budget.left -= work;
    // What matches is found at once, whatever it is made of.
    if (matches === true) break;
    found.push({ times, steps, length: tried.length, isCut: matches === null });
    if (matches === null) break;
  }
  return found;
}
