import type { FieldKind } from '../html/field';
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
import { Decimal } from './decimal';
import { type Deviations, type NumberPlace, noDeviations } from './deviations';

/** How a kind counts (HTML Standard, "The input element", the states' conversion algorithms and "The step attribute"). */
export interface Counting {
  /** Of dates and times, always whole; null for kinds that count in numbers as they are written. */
  readonly toNumber: ((text: string) => number | null) | null;
  readonly toText: (n: number) => string;
  readonly isMonths?: true;
  readonly stepScaleFactor: number;
  /** In the kind's own unit, before scaling. */
  readonly defaultStep: number;
  readonly defaultStepBase: number;
  readonly defaultMin: number | null;
  readonly defaultMax: number | null;
}

const open = { defaultStepBase: 0, defaultMin: null, defaultMax: null } as const;
const numeric = { toText: String, stepScaleFactor: 1, defaultStep: 1 } as const;

const countings: Partial<Record<FieldKind, Counting>> = {
  date: { ...open, toNumber: parseDate, toText: formatDate, stepScaleFactor: 86_400_000, defaultStep: 1 },
  month: {
    ...open,
    isMonths: true,
    toNumber: parseMonth,
    toText: formatMonth,
    stepScaleFactor: 1,
    defaultStep: 1,
  },
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
  number: { ...open, ...numeric, toNumber: null },
  range: { ...numeric, toNumber: null, defaultStepBase: 0, defaultMin: 0, defaultMax: 100 },
};

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
  /** The same four as they were written, for counting without rounding. */
  readonly exact: {
    readonly min: Decimal | null;
    readonly max: Decimal | null;
    readonly step: Decimal | null;
    readonly stepBase: Decimal;
  };
}

/** HTML Standard, "The min and max attributes" and "The step attribute". Null where they do not apply. */
export function rangeOf(
  kind: FieldKind,
  attributes: RangeAttributes,
  deviations: Deviations = noDeviations,
): Range | null {
  const counting = countingOf(kind);
  if (!counting) return null;
  const limit = (text: string | null) =>
    text === null ? null : countedIn(counting, text, 'limit', deviations);
  const preset = (n: number | null) => (n === null ? null : Decimal.fromNumber(n));
  const ownMin = limit(attributes.min);
  const exact = {
    min: ownMin ?? preset(counting.defaultMin),
    max: limit(attributes.max) ?? preset(counting.defaultMax),
    step: allowedValueStep(kind, counting, attributes.step, deviations),
    stepBase: ownMin ?? limit(attributes.value) ?? Decimal.fromNumber(counting.defaultStepBase),
  };
  return {
    counting,
    min: exact.min?.toNumber() ?? null,
    max: exact.max?.toNumber() ?? null,
    step: exact.step?.toNumber() ?? null,
    stepBase: exact.stepBase.toNumber(),
    exact,
  };
}

/** A text as the number that its kind counts in, or null where it is none. */
export function countedIn(
  counting: Counting,
  text: string,
  where: NumberPlace,
  deviations: Deviations = noDeviations,
): Decimal | null {
  if (counting.toNumber) {
    const n = counting.toNumber(text);
    return n === null || n > lastIn(counting, where, deviations) ? null : Decimal.of(n);
  }
  const number = deviations.numberText(text, where);
  return number === null ? null : Decimal.parse(number);
}

function lastIn({ isMonths }: Counting, where: NumberPlace, deviations: Deviations): number {
  if (isMonths) return deviations.lastMonth;
  return where === 'value' ? deviations.lastMoment : Math.min(deviations.lastCounted, deviations.lastMoment);
}

function allowedValueStep(
  kind: FieldKind,
  counting: Counting,
  step: string | null,
  deviations: Deviations,
): Decimal | null {
  if (step?.toLowerCase() === 'any') return null;
  const text = step === null ? null : deviations.numberText(step, 'step');
  const asked = text === null ? null : Decimal.parse(text);
  const unit =
    asked && asked.compare(Decimal.zero) > 0
      ? deviations.stepOf(kind, asked)
      : Decimal.of(counting.defaultStep);
  return unit.times(Decimal.of(counting.stepScaleFactor));
}

/** HTML Standard, "The step attribute": suffering from a step mismatch. */
export function isStepMismatch(
  kind: FieldKind,
  { exact }: Range,
  value: Decimal,
  deviations: Deviations = noDeviations,
): boolean {
  const { step, stepBase: base } = exact;
  return step !== null && !step.isZero() && deviations.isStepMismatch({ kind, value, base, step });
}

/** HTML Standard, "The min and max attributes": a reversed range, which only time has. */
export function hasReversedRange(kind: FieldKind, range: Range): boolean {
  return kind === 'time' && range.min !== null && range.max !== null && range.max < range.min;
}
