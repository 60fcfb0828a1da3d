import type { FieldKind } from '../form/field';
import {
  formatDate,
  formatLocalDateAndTime,
  formatMonth,
  formatTime,
  formatWeek,
  parseDate,
  parseLocalDateAndTime,
  parseMonth,
  parseTime,
  parseWeek,
} from './dates-and-times';
import { isValidFloatingPointNumber, parseFloatingPointNumber } from './floating-point-numbers';

/** How a kind counts (HTML Standard, "The input element", the states' conversion algorithms and "The step attribute"). */
export interface Counting {
  readonly toNumber: (text: string) => number | null;
  readonly toText: (n: number) => string;
  readonly stepScaleFactor: number;
  /** In the kind's own unit, before scaling. */
  readonly defaultStep: number;
  readonly defaultStepBase: number;
  readonly defaultMin: number | null;
  readonly defaultMax: number | null;
}

const open = { defaultStepBase: 0, defaultMin: null, defaultMax: null } as const;
const numberText = (n: number) => String(n);
const numeric = { toNumber: parseNumber, toText: numberText, stepScaleFactor: 1, defaultStep: 1 } as const;

const countings: Partial<Record<FieldKind, Counting>> = {
  date: { ...open, toNumber: parseDate, toText: formatDate, stepScaleFactor: 86_400_000, defaultStep: 1 },
  month: { ...open, toNumber: parseMonth, toText: formatMonth, stepScaleFactor: 1, defaultStep: 1 },
  week: {
    ...open,
    toNumber: parseWeek,
    toText: formatWeek,
    stepScaleFactor: 604_800_000,
    defaultStep: 1,
    defaultStepBase: -259_200_000,
  },
  time: { ...open, toNumber: parseTime, toText: formatTime, stepScaleFactor: 1000, defaultStep: 60 },
  'datetime-local': {
    ...open,
    toNumber: parseLocalDateAndTime,
    toText: formatLocalDateAndTime,
    stepScaleFactor: 1000,
    defaultStep: 60,
  },
  number: { ...open, ...numeric },
  range: { ...numeric, defaultStepBase: 0, defaultMin: 0, defaultMax: 100 },
};

function parseNumber(text: string): number | null {
  return isValidFloatingPointNumber(text) ? Number(text) : null;
}

/** Null for kinds to which `min`, `max` and `step` do not apply. */
export function countingOf(kind: FieldKind): Counting | null {
  return countings[kind] ?? null;
}

export interface RangeAttributes {
  readonly min: string | null;
  readonly max: string | null;
  readonly step: string | null;
  /** The `value` content attribute: the step base when there is no usable min. */
  readonly value: string | null;
}

export interface Range {
  readonly counting: Counting;
  readonly min: number | null;
  readonly max: number | null;
  /** In the counting's number, already scaled; null when any value is allowed. */
  readonly step: number | null;
  readonly stepBase: number;
}

/** HTML Standard, "The min and max attributes" and "The step attribute". Null where they do not apply. */
export function rangeOf(kind: FieldKind, attributes: RangeAttributes): Range | null {
  const counting = countingOf(kind);
  if (!counting) return null;
  const ownMin = attributes.min === null ? null : counting.toNumber(attributes.min);
  const ownMax = attributes.max === null ? null : counting.toNumber(attributes.max);
  const fromValue = attributes.value === null ? null : counting.toNumber(attributes.value);
  return {
    counting,
    min: ownMin ?? counting.defaultMin,
    max: ownMax ?? counting.defaultMax,
    step: allowedValueStep(counting, attributes.step),
    stepBase: ownMin ?? fromValue ?? counting.defaultStepBase,
  };
}

function allowedValueStep(counting: Counting, step: string | null): number | null {
  if (step?.toLowerCase() === 'any') return null;
  const asked = step === null ? null : parseFloatingPointNumber(step);
  const unit = asked !== null && asked > 0 ? asked : counting.defaultStep;
  return unit * counting.stepScaleFactor;
}

/** HTML Standard, "The step attribute": suffering from a step mismatch, with room for what doubles cannot say exactly. */
export function isStepMismatch(range: Range, value: number): boolean {
  if (range.step === null) return false;
  const steps = (value - range.stepBase) / range.step;
  const off = Math.abs(steps - Math.round(steps));
  // Decimal fractions such as 0.01 are not exact doubles; the allowance grows with the number of steps counted.
  const allowance = Math.max(1, Math.abs(steps)) * 2 ** -44;
  return off > allowance;
}

/** HTML Standard, "The min and max attributes": a reversed range, which only time has. */
export function hasReversedRange(kind: FieldKind, range: Range): boolean {
  return kind === 'time' && range.min !== null && range.max !== null && range.max < range.min;
}
