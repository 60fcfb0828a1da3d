import type { ConstrainedField } from '../../standard/constraint-validation';
import { Decimal } from '../../standard/decimal';
import type { Deviations } from '../../standard/deviations';
import { countedIn, rangeOf } from '../../standard/ranges-and-steps';

/** How a step with an arrow key shows itself on its way. */
export interface StepWay {
  /** The value while `beforeinput` asks. */
  readonly from: string;
  /** Whether it asks at all. */
  readonly asks: boolean;
}

/**
 * Blink gives an empty field a number first, from which one step stays within the limits, and steps from there; to a
 * limit that lies ahead it goes without asking (asked of Chromium 156).
 */
export function stepWay(field: ConstrainedField, direction: 1 | -1, deviations: Deviations): StepWay {
  const range = rangeOf(
    'number',
    field.step?.toLowerCase() === 'any' ? { ...field, step: null } : field,
    deviations,
  );
  const { min, max, step } = range?.exact ?? {};
  if (!range || !step) return { from: field.currentValue, asks: true };
  const held = countedIn(range.counting, field.currentValue, 'value', deviations);
  const way = direction > 0 ? step : step.negated();
  let from = held ?? Decimal.zero;
  if (!held && min && from.compare(min.minus(way)) < 0) from = min.minus(way);
  if (!held && max && from.compare(max.minus(way)) > 0) from = max.minus(way);
  const isBehind = direction > 0 ? min && from.compare(min) < 0 : max && from.compare(max) > 0;
  return { from: held ? field.currentValue : deviations.rangeText(from), asks: !isBehind };
}
