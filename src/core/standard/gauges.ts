import { attribute, type Control } from '../html/field';
import { parseFloatingPointNumber } from './floating-point-numbers';

function numberIn(control: Control, name: string): number | null {
  const text = attribute(control, name);
  const number = text === null ? null : parseFloatingPointNumber(text);
  return number === null ? null : Number(number);
}

/** HTML Standard, "The meter element": the actual value, kept between the minimum (0) and the maximum (1). */
export function meterValue(control: Control): number {
  const min = numberIn(control, 'min') ?? 0;
  const max = Math.max(min, numberIn(control, 'max') ?? 1);
  return Math.min(max, Math.max(min, numberIn(control, 'value') ?? 0));
}

export type MeterRegion = 'optimal' | 'suboptimal' | 'poor';

/**
 * A value in the middle of each region of a meter (HTML Standard, "The meter element"): the optimum region, the
 * suboptimal one, and the even less good one; null for a region that this meter does not have.
 */
export function meterRegionValues(control: Control): Readonly<Record<MeterRegion, number | null>> {
  const min = numberIn(control, 'min') ?? 0;
  const max = Math.max(min, numberIn(control, 'max') ?? 1);
  const within = (value: number, least: number) => Math.min(max, Math.max(least, value));
  const low = within(numberIn(control, 'low') ?? min, min);
  const high = within(numberIn(control, 'high') ?? max, low);
  const optimum = within(numberIn(control, 'optimum') ?? (min + max) / 2, min);
  const middle = (from: number, to: number) => (to > from ? (from + to) / 2 : null);
  const [lowest, between, highest] = [middle(min, low), middle(low, high), middle(high, max)];
  if (optimum > high) return { optimal: highest, suboptimal: between, poor: lowest };
  if (optimum < low) return { optimal: lowest, suboptimal: between, poor: highest };
  return { optimal: between, suboptimal: lowest ?? highest, poor: null };
}

/** HTML Standard, "The progress element": the current value, 0 for an indeterminate bar. */
export function progressValue(control: Control): number {
  const asked = numberIn(control, 'max');
  const max = asked !== null && asked > 0 ? asked : 1;
  return Math.min(max, Math.max(0, numberIn(control, 'value') ?? 0));
}
