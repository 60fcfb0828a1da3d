import type { DatedKind } from '../../html/field';
import type { Decimal } from '../../standard/decimal';
import type { Counting } from '../../standard/ranges-and-steps';
import { decimalText } from './decimal-text';

/** What stands in a gap of a message. */
export type Slot =
  | { readonly is: 'text'; readonly text: string }
  /** A number of characters. */
  | { readonly is: 'count'; readonly count: number }
  | { readonly is: 'number'; readonly number: Decimal }
  /** In the kind's own unit: ms, or months. `inSeconds`: whether the field counts in less than minutes, or from within one. */
  | {
      readonly is: 'moment';
      readonly kind: DatedKind;
      readonly counting: Counting;
      readonly at: number;
      readonly inSeconds: { readonly step: boolean; readonly base: boolean };
    };

/**
 * How an engine writes numbers and moments in its messages: as their values are written in markup, or as its language
 * has them.
 */
export interface SlotStyle {
  readonly numbers: 'as values' | 'localized' | 'localized, without exponent';
  readonly moments: 'as values' | 'localized';
  /** Of localized times. */
  readonly hour: 'numeric' | '2-digit';
  /** Between a time and its half of the day. */
  readonly space: ' ' | '\u202f';
  /** Besides where there are any, seconds stand where the field counts in them, or from a moment that has some. */
  readonly seconds: 'with step or base' | 'with step' | 'where there are any';
}

/** Every style that was thought of; the one that an engine has is found by measuring. */
export const slotStyles: readonly SlotStyle[] = (
  ['as values', 'localized', 'localized, without exponent'] as const
).flatMap((numbers) =>
  (['as values', 'localized'] as const).flatMap((moments) =>
    (['numeric', '2-digit'] as const).flatMap((hour) =>
      ([' ', '\u202f'] as const).flatMap((space) =>
        (['with step or base', 'with step', 'where there are any'] as const).map((seconds) => ({
          numbers,
          moments,
          hour,
          space,
          seconds,
        })),
      ),
    ),
  ),
);

/** A slot as an engine writes it. Weeks have no form in Intl: theirs is part of the words, see `weekParts`. */
export function slotText(slot: Slot, style: SlotStyle, language: string): string {
  switch (slot.is) {
    case 'text':
      return slot.text;
    case 'count':
      return String(slot.count);
    case 'number':
      return numberText(slot.number, style, language);
    case 'moment':
      return style.moments === 'as values' || slot.kind === 'week'
        ? valueText(slot, style)
        : momentText(slot, style, language);
  }
}

/** The year and the number of a week, as both stand in messages. */
export function weekParts(slot: Slot): { year: string; week: string } | null {
  if (slot.is !== 'moment' || slot.kind !== 'week') return null;
  const [year = '', week = ''] = slot.counting.toText(slot.at).split('-W');
  return { year, week };
}

function numberText(number: Decimal, { numbers }: SlotStyle, language: string): string {
  const text = numbers === 'localized, without exponent' ? plainText(number) : decimalText(number);
  if (numbers === 'as values') return text;
  const parts = new Intl.NumberFormat(language).formatToParts(-1.5);
  const whole = parts.findIndex(({ type }) => type === 'integer');
  // In right-to-left languages a mark that is not seen belongs to the sign.
  const minus = parts.slice(0, whole).map(({ value }) => value);
  const point = parts.find(({ type }) => type === 'decimal')?.value ?? '.';
  return text.replace(/^-/, minus.join('')).replace('.', point);
}

function plainText({ coefficient, exponent }: Decimal): string {
  const sign = coefficient < 0n ? '-' : '';
  const digits = (coefficient < 0n ? -coefficient : coefficient).toString();
  if (exponent >= 0) return sign + digits + '0'.repeat(digits === '0' ? 0 : exponent);
  const padded = digits.padStart(1 - exponent, '0');
  const fraction = padded.slice(exponent).replace(/0+$/, '');
  return sign + padded.slice(0, exponent) + (fraction && `.${fraction}`);
}

function countsSeconds(
  { step, base }: { readonly step: boolean; readonly base: boolean },
  { seconds }: SlotStyle,
): boolean {
  return (step && seconds !== 'where there are any') || (base && seconds === 'with step or base');
}

function valueText({ kind, counting, at, inSeconds }: Slot & { is: 'moment' }, style: SlotStyle): string {
  const text = counting.toText(at);
  const hasTime = kind === 'time' || kind === 'datetime-local';
  return hasTime && at % 60_000 === 0 && countsSeconds(inSeconds, style) ? `${text}:00` : text;
}

const day = { month: '2-digit', day: '2-digit', year: 'numeric' } as const;

function momentText(
  { kind, at, inSeconds }: Slot & { is: 'moment' },
  style: SlotStyle,
  language: string,
): string {
  if (kind === 'month') {
    const first = new Date(Date.UTC(1970, at, 1));
    return first.toLocaleDateString(language, { month: 'long', year: 'numeric', timeZone: 'UTC' });
  }
  const moment = new Date(at);
  if (kind === 'date') return moment.toLocaleDateString(language, { ...day, timeZone: 'UTC' });
  const hasFraction = at % 1000 !== 0;
  const hasSeconds = countsSeconds(inSeconds, style) || at % 60_000 !== 0;
  const words = moment.toLocaleString(language, {
    ...(kind === 'datetime-local' && day),
    hour: style.hour,
    minute: '2-digit',
    ...(hasSeconds && { second: '2-digit' }),
    ...(hasFraction && { fractionalSecondDigits: 3 }),
    timeZone: 'UTC',
  });
  return words.replace(/[\u0020\u00a0\u202f](?=[AP]M$)/, style.space);
}
