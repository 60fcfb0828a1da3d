import type { FieldKind } from '../html/field';
import { simpleColor } from './colors';
import type { ControlState } from './control-state';
import { formatLocalDateAndTime } from './dates-and-times';
import { Decimal } from './decimal';
import { isValidEmailAddress } from './email-addresses';
import { isValidFloatingPointNumber, parseFloatingPointNumber } from './floating-point-numbers';
import { hardWrapped } from './hard-wrap';
import { type PatternReading, readPattern } from './pattern-attribute';

/**
 * The points at which an engine may do something else than the HTML Standard says. What the standard says of each stands
 * here; what an engine does instead is in `core/model/deviations/engine-deviations.ts`.
 */
export interface Deviations {
  /** Kinds that are drawn and checked as a text box. */
  readonly unknownKinds: readonly FieldKind[];
  /** Kinds barred from constraint validation. */
  readonly barredKinds: readonly FieldKind[];
  /** The value that stays in a number field; empty when the text is no number. */
  readonly sanitizeNumber: (text: string) => string;
  /** The text of a number in `value`, `min`, `max` of a number or range field, as `Decimal.parse` reads it; null where it is none. */
  readonly numberText: (text: string, where: NumberPlace) => string | null;
  /** The value that a range field gives itself. */
  readonly rangeText: (value: Decimal) => string;
  /** The value on a step that a range field takes in place of `value`, which is within its limits. */
  readonly nearestStep: (value: Decimal, steps: LimitedSteps) => Decimal;
  /** A range field keeps a value that is right as it was written; else it writes every value anew. */
  readonly rangeKeepsText: boolean;
  /** What the limits say of a range field whose max is below its min. */
  readonly reversedRangeOverflows: boolean;
  /** The allowed value step from the number in `step`, in the kind's own unit. */
  readonly stepOf: (kind: FieldKind, step: Decimal) => Decimal;
  readonly isStepMismatch: (steps: Steps) => boolean;
  /** @param space the `colorspace` attribute */
  readonly simpleColor: (text: string, space: string | null) => string | null;
  /** A list of addresses keeps line breaks within an address. */
  readonly listsKeepNewlines: boolean;
  readonly isUrl: (text: string) => boolean;
  readonly isEmailAddress: (text: string) => boolean;
  /** Whether an address suffers from bad input, besides not being one. */
  readonly isUnreadableEmail: (text: string) => boolean;
  readonly readPattern: (pattern: string) => PatternReading;
  /** A pattern is held against each part between commas of any kind that has `multiple`, not of email alone. */
  readonly patternReadsLists: boolean;
  /** `size=0` of a select is as if it were not there. */
  readonly sizeZeroIsNone: boolean;
  /** A list that shows one line starts with its first option even when that is disabled. */
  readonly startsOnDisabled: boolean;
  /** An option is the placeholder label option only when nothing at all stands before it: no line, no group. */
  readonly placeholderComesFirst: boolean;
  /** Controls inside of a datalist are sent. */
  readonly sendsFromDatalist: boolean;
  /** A `dirname` that is empty is sent all the same. */
  readonly sendsEmptyDirname: boolean;
  /** Names under which the direction of a control is sent that is itself not sent. */
  readonly strayDirections: (state: ControlState) => readonly string[];
  /** The value of an email field as it is sent. */
  readonly sentEmail: (value: string, isList: boolean) => string;
  /** Path and query as they travel. */
  readonly sentUrl: (pathAndQuery: string) => string;
  /** Whether text/plain is written as such goes by the form's own method alone, whatever the button says and however it is sent. */
  readonly plainByOwnMethod: boolean;
  /** A hash sign in a query that is written as plain text begins the fragment, which does not travel. */
  readonly plainQueryEndsAtHash: boolean;
  /** When `type` changes, a value that nobody set is taken from the attribute anew, as if it had been parsed so. */
  readonly retypesFromAttribute: boolean;
  /** A number field's value as it was parsed, before sanitization. */
  readonly parsedNumber: (text: string) => string;
  /** Text of a textarea with `wrap=hard`, lines ending in line feeds. @param columns `cols` */
  readonly hardWrap: (text: string, columns: number) => string;
  /** What a moment is written as, from its ms since 1970 and the text that was given. */
  readonly momentText: (ms: number, text: string) => string;
  /** Days, weeks and moments that begin after this are none: ms since 1970. */
  readonly lastMoment: number;
  /** Those that begin after this are values all the same, but nothing is counted with them. */
  readonly lastCounted: number;
  /** Months after this are none, counted from January 1970. */
  readonly lastMonth: number;
  /** From where a step that would go away from the limits goes to the nearer one, instead of nowhere. */
  readonly stepsBackFrom: readonly ('no value' | 'between steps')[];
  /**
   * Arrow keys do what a script's `stepUp()` does; else they bring a value from outside of the limits to the nearer one
   * or leave it, and where any value is allowed they go on from the value itself.
   */
  readonly arrowsAsScripts: boolean;
  /** From between two steps, an arrow key goes to a limit that is in the way, whether or not that is on a step. */
  readonly arrowsReachLimits: boolean;
  /** Steps of times end at midnight; else the next day begins. */
  readonly stepsEndAtMidnight: boolean;
  /** The first step at or after a number, counted from the base. @param steps how many steps there are between the two */
  readonly stepsUpTo: (steps: Decimal) => Decimal;
  /** A required radio button without a name, which is in no group, may be missing. */
  readonly namelessRadioMayMiss: boolean;
}

export type NumberPlace = 'value' | 'limit' | 'step';

export interface Steps {
  readonly kind: FieldKind;
  readonly value: Decimal;
  readonly base: Decimal;
  /** Above zero. */
  readonly step: Decimal;
}

export interface LimitedSteps {
  readonly step: Decimal;
  readonly base: Decimal;
  readonly min: Decimal;
  readonly max: Decimal;
}

/** What the HTML Standard says. */
export const noDeviations: Deviations = {
  unknownKinds: [],
  barredKinds: ['hidden', 'reset', 'button', 'output', 'meter', 'progress', 'widget'],
  sanitizeNumber: (text) => (isValidFloatingPointNumber(text) ? text : ''),
  numberText: (text, where) =>
    where === 'value' ? (isValidFloatingPointNumber(text) ? text : null) : parseFloatingPointNumber(text),
  rangeText: (value) => String(value.toNumber()),
  nearestStep,
  rangeKeepsText: true,
  reversedRangeOverflows: false,
  stepOf: (_, step) => step,
  isStepMismatch: isStepMismatchOfDoubles,
  simpleColor: (text) => simpleColor(text),
  listsKeepNewlines: true,
  isUrl: (text) => URL.canParse(text),
  isEmailAddress: isValidEmailAddress,
  isUnreadableEmail: () => false,
  readPattern: (pattern) => readPattern(pattern),
  patternReadsLists: false,
  sizeZeroIsNone: false,
  startsOnDisabled: false,
  placeholderComesFirst: false,
  sendsFromDatalist: false,
  sendsEmptyDirname: false,
  strayDirections: () => [],
  sentEmail: (value) => value,
  sentUrl: (url) => url,
  plainByOwnMethod: false,
  plainQueryEndsAtHash: false,
  retypesFromAttribute: false,
  parsedNumber: (text) => text,
  hardWrap: hardWrapped,
  momentText: formatLocalDateAndTime,
  lastMoment: Number.POSITIVE_INFINITY,
  lastCounted: Number.POSITIVE_INFINITY,
  lastMonth: Number.POSITIVE_INFINITY,
  stepsBackFrom: [],
  arrowsAsScripts: true,
  arrowsReachLimits: false,
  stepsEndAtMidnight: true,
  stepsUpTo: (steps) => steps.negated().floored().negated(),
  namelessRadioMayMiss: true,
};

/** With room for what doubles cannot say exactly: the allowance grows with the number of steps counted. */
function isStepMismatchOfDoubles({ value, base, step }: Steps): boolean {
  const steps = value.minus(base).over(step).toNumber();
  return Math.abs(steps - Math.round(steps)) > Math.max(1, Math.abs(steps)) * 2 ** -44;
}

/** HTML Standard, "Range state": the nearest value on a step that is within the limits, of two the higher one; where there is none, the value itself. */
function nearestStep(value: Decimal, { step, base, min, max }: LimitedSteps): Decimal {
  const at = (count: Decimal) => base.plus(step.times(count));
  const steps = value.minus(base).over(step).plus(Decimal.of(5, -1)).floored();
  const one = Decimal.of(1);
  const near = [at(steps), at(steps.minus(one)), at(steps.plus(one))];
  return near.find((found) => found.compare(min) >= 0 && found.compare(max) <= 0) ?? value;
}
