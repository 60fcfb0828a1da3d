import { attribute, type Control } from '../form/field';
import { parseFloatingPointNumber } from './floating-point-numbers';

function numberIn(control: Control, name: string): number | null {
  const text = attribute(control, name);
  return text === null ? null : parseFloatingPointNumber(text);
}

/** HTML Standard, "The meter element": the actual value, kept between the minimum (0) and the maximum (1). */
export function meterValue(control: Control): number {
  const min = numberIn(control, 'min') ?? 0;
  const max = Math.max(min, numberIn(control, 'max') ?? 1);
  return Math.min(max, Math.max(min, numberIn(control, 'value') ?? 0));
}

/** HTML Standard, "The progress element": the current value, 0 for an indeterminate bar. */
export function progressValue(control: Control): number {
  const asked = numberIn(control, 'max');
  const max = asked !== null && asked > 0 ? asked : 1;
  return Math.min(max, Math.max(0, numberIn(control, 'value') ?? 0));
}
