import { attribute, type Field } from '../html/field';
import type { Pattern } from '../regexp/pattern';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import type { SlowText } from './slow-text';
import { growthOfSteps, mostSteps, type StepGrowth } from './step-growth';

/** A pattern over which a page stands still, and texts of which that is seen. */
export interface SlowPattern {
  readonly text: SlowText;
  readonly grows: StepGrowth['grows'];
  /** Over the longest text that can be entered a page stands still for minutes; else for a moment. */
  readonly isForGood: boolean;
  /** Steps that a matcher takes over the text, by how often the piece is repeated; `isMore`: it was stopped there. */
  readonly steps: readonly { readonly times: number; readonly steps: number; readonly isMore: boolean }[];
}

/** Longest text that people put into a field that says no limit, UTF-16 code units. */
const longestEntered = 2000;
/** A matcher takes about a tenth of a second over so many steps, and minutes over so many. */
const [feltSteps, endlessSteps] = [10_000_000, 10_000_000_000];
/** How many counts are shown. */
const countsShown = 3;

/** Whether a pattern of a field makes a page stand still over a text that can be entered; null where it does not. */
export function slowPattern(field: Field, pattern: Pattern): SlowPattern | null {
  const most = parseNonNegativeInteger(attribute(field.controls[0], 'maxlength')) ?? Number.POSITIVE_INFINITY;
  const found = growthOfSteps(pattern, most);
  if (!found) return null;
  const worst = stepsOver(found, Math.min(most, longestEntered));
  if (worst < feltSteps) return null;
  return {
    text: found.text,
    grows: found.grows,
    isForGood: worst >= endlessSteps,
    steps: found.steps
      .slice(-countsShown)
      .map(([times, steps]) => ({ times, steps, isMore: steps >= mostSteps })),
  };
}

/** Steps over a text of a length, reckoned from those that were counted; what doubles has no end. */
function stepsOver({ grows, steps, text }: StepGrowth, length: number): number {
  if (grows.by === 'doubling') return Number.POSITIVE_INFINITY;
  const [times, count] = steps.at(-1) ?? [1, 0];
  return count * (length / (times * text.again.length)) ** grows.power;
}
