import type { FieldKind } from '../html/field';
import type { ConstrainedField } from './constraint-validation';
import { Decimal } from './decimal';
import { type Deviations, noDeviations } from './deviations';
import { countedIn, type Range, rangeOf } from './ranges-and-steps';

/** What `stepUp()` and `stepDown()` do. */
export type Stepping =
  | { readonly status: 'value'; readonly value: string }
  /** The value stays as it is. */
  | { readonly status: 'stays' }
  /** The method throws: the kind has no steps, or `step` is `any`. */
  | { readonly status: 'InvalidStateError' };

const stays: Stepping = { status: 'stays' };

/**
 * HTML Standard, "Common input element APIs", `stepUp(n)` and `stepDown(n)`.
 * @param count how many steps up; below zero, down. Not zero.
 */
export function stepped(
  field: Pick<ConstrainedField, 'kind' | 'currentValue' | 'min' | 'max' | 'step' | 'value'>,
  count: number,
  deviations: Deviations = noDeviations,
): Stepping {
  const range = deviations.unknownKinds.includes(field.kind) ? null : rangeOf(field.kind, field, deviations);
  const { step, stepBase: base } = range?.exact ?? {};
  if (!range || !step || !base) return { status: 'InvalidStateError' };
  const grid = { base, step };
  const limits = limitsOf(field.kind, range, deviations);
  const reach = onSteps(limits, grid, deviations);
  if (!reach) return stays;
  const held = countedIn(range.counting, field.currentValue, 'value', deviations);
  const from = held ?? Decimal.zero;
  const isBetween = below(from, grid).compare(from) !== 0;
  const moved = within(limits, reach, moveBy(grid, from, count));
  const goesBack = moved.compare(from) * Math.sign(count) < 0;
  const mayGoBack =
    (held === null && deviations.stepsBackFrom.includes('no value')) ||
    (isBetween && Math.abs(count) === 1 && deviations.stepsBackFrom.includes('between steps'));
  if (goesBack && !mayGoBack) return stays;
  return { status: 'value', value: textOf(range, moved, deviations) };
}

/**
 * What an arrow key or a spin button does, of which the standard says nothing but that it may be there: a step, and one
 * of the kind's own where any value is allowed.
 */
export function arrowed(
  field: Parameters<typeof stepped>[0],
  direction: 1 | -1,
  deviations: Deviations = noDeviations,
): Stepping {
  const isAny = field.step?.toLowerCase() === 'any';
  const asked = { ...field, step: isAny ? null : field.step };
  const range = rangeOf(field.kind, asked, deviations);
  if (deviations.arrowsAsScripts || !range) return stepped(asked, direction, deviations);
  const { min, max, step, stepBase: base } = range.exact;
  const held = countedIn(range.counting, field.currentValue, 'value', deviations);
  const from = held ?? Decimal.zero;
  const to = (value: Decimal): Stepping => ({ status: 'value', value: textOf(range, value, deviations) });
  const [behind, ahead] = direction > 0 ? [min, max] : [max, min];
  if (behind && behind.compare(from) * direction > 0) return to(behind);
  const grid = step && !isAny ? { base, step } : null;
  if (deviations.arrowsReachLimits && grid && held && below(from, grid).compare(from) !== 0) {
    const next = moveBy(grid, from, direction);
    return to(ahead && ahead.compare(next) * direction < 0 ? ahead : next);
  }
  const isPast = (value: Decimal) => ahead !== null && ahead.compare(value) * direction < 0;
  if (isAny && step) {
    const moved = from.plus(direction > 0 ? step : step.negated());
    if (!ahead || !isPast(moved)) return to(moved);
    return held === null ? to(ahead) : stays;
  }
  if (!isPast(from) && ahead?.compare(from) !== 0) return stepped(asked, direction, deviations);
  if (held !== null || !grid) return stays;
  // The least value is a step itself: steps are counted from it.
  const reach = onSteps({ min, max }, grid, deviations);
  const end = direction > 0 ? reach?.max : reach && min;
  return end ? to(end) : stays;
}

interface Limits {
  readonly min: Decimal | null;
  readonly max: Decimal | null;
}

interface Grid {
  readonly base: Decimal;
  readonly step: Decimal;
}

/** ms. */
const lastMoment = Decimal.of(86_399_999);

function limitsOf(kind: FieldKind, { exact: { min, max } }: Range, deviations: Deviations): Limits {
  if (kind !== 'time' || !deviations.stepsEndAtMidnight) return { min, max };
  return { min: min ?? Decimal.zero, max: max ?? lastMoment };
}

/** The least and the most value that are on a step; null when there is none at all between the limits. */
function onSteps({ min, max }: Limits, grid: Grid, deviations: Deviations): Limits | null {
  if (min && max && min.compare(max) > 0) return null;
  const least =
    min && grid.base.plus(deviations.stepsUpTo(min.minus(grid.base).over(grid.step)).times(grid.step));
  const most = max && below(max, grid);
  if (most && min && most.compare(min) < 0) return null;
  return { min: least && most && least.compare(most) > 0 ? most : least, max: most };
}

/** From between two steps, the first step is to the next of them. */
function moveBy(grid: Grid, from: Decimal, count: number): Decimal {
  const last = below(from, grid);
  const steps = last.compare(from) !== 0 && count < 0 ? count + 1 : count;
  return last.plus(grid.step.times(Decimal.of(steps)));
}

/** @param reach the first and the last value on a step within the limits */
function within({ min, max }: Limits, reach: Limits, value: Decimal): Decimal {
  if (min && value.compare(min) < 0) return reach.min ?? min;
  return max && value.compare(max) > 0 ? (reach.max ?? max) : value;
}

/** The last step at or before a value. */
function below(value: Decimal, { base, step }: Grid): Decimal {
  return base.plus(value.minus(base).over(step).floored().times(step));
}

function textOf({ counting }: Range, value: Decimal, deviations: Deviations): string {
  return counting.toNumber ? counting.toText(value.toNumber()) : deviations.rangeText(value);
}
