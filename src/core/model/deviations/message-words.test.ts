import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DatedKind } from '../../html/field';
import { Decimal } from '../../standard/decimal';
import { countingOf } from '../../standard/ranges-and-steps';
import { filledWords, wordsFrom } from './message-words';
import { type Slot, type SlotStyle, slotStyles, slotText } from './slot-text';

const style: SlotStyle = {
  numbers: 'localized',
  moments: 'localized',
  hour: '2-digit',
  space: ' ',
  seconds: 'with step or base',
};
const number = (text: string): Slot => ({ is: 'number', number: Decimal.parse(text) ?? Decimal.zero });
const count = (n: number): Slot => ({ is: 'count', count: n });
const moment = (kind: DatedKind, text: string, step = false, base = false): Slot => {
  const counting = countingOf(kind);
  const at = counting?.toNumber?.(text);
  if (!counting || at === null || at === undefined) throw new Error(text);
  return { is: 'moment', kind, counting, at, inSeconds: { step, base } };
};

describe('what stands in a gap', () => {
  it.each([
    ['en-US', '-1.25', number('-1.25')],
    ['fi-FI', '\u22121,25', number('-1.25')],
    ['ar', '\u200e-1.25', number('-1.25')],
    ['de-DE', '3e+3', number('3e3')],
    ['en-US', '03/04/2026', moment('date', '2026-03-04')],
    ['en-GB', '04/03/2026', moment('date', '2026-03-04')],
    ['fi-FI', 'maaliskuu 2026', moment('month', '2026-03')],
    ['en-US', '06:05 PM', moment('time', '18:05')],
    ['de-DE', '18:05', moment('time', '18:05')],
    ['de-DE', '18:05:00', moment('time', '18:05', true)],
    ['de-DE', '18:05:07,500', moment('time', '18:05:07.5')],
    ['en-GB', '04/03/2026, 18:05', moment('datetime-local', '2026-03-04T18:05')],
    ['ar', '280', count(280)],
  ])('in %s reads %j', (language, text, slot) => {
    expect(slotText(slot, style, language)).toBe(text);
  });

  it('is the value itself, or plain digits, where an engine writes it so', () => {
    const plain: SlotStyle = { ...style, numbers: 'localized, without exponent', moments: 'as values' };
    expect(slotText(number('3e3'), plain, 'de-DE')).toBe('3000');
    expect(slotText(number('1e-7'), plain, 'de-DE')).toBe('0,0000001');
    expect(slotText(number('-0.50'), plain, 'en-US')).toBe('-0.5');
    expect(slotText(number('0e5'), plain, 'en-US')).toBe('0');
    expect(slotText(moment('time', '18:05'), plain, 'en-US')).toBe('18:05');
    expect(slotText(moment('time', '18:05', true), plain, 'en-US')).toBe('18:05:00');
    expect(slotText(moment('time', '18:05', false, true), plain, 'en-US')).toBe('18:05:00');
    const byStep: SlotStyle = { ...plain, seconds: 'with step' };
    expect(slotText(moment('time', '18:05', false, true), byStep, 'en-US')).toBe('18:05');
  });
});

describe('words with gaps', () => {
  it('are what several messages have in common', () => {
    const samples = [
      { message: 'Not before 04.03.2026, please.', slots: { min: moment('date', '2026-03-04') } },
      { message: 'Not before 28.11.2026, please.', slots: { min: moment('date', '2026-11-28') } },
    ];
    expect(wordsFrom(samples, style, 'de-DE')).toBe('Not before {min}, please.');
    expect(wordsFrom(samples, { ...style, moments: 'as values' }, 'de-DE')).toBeNull();
  });

  it('change with a number of characters, by the plural categories of the language', () => {
    const sample = (n: number, message: string) => ({
      message,
      slots: { limit: count(50), length: count(n) },
    });
    const words = wordsFrom(
      [sample(1, 'of 50: 1 letter'), sample(2, 'of 50: 2 letters'), sample(7, 'of 50: 7 letters')],
      style,
      'en-US',
    );
    expect(words).toEqual({
      by: 'length',
      categories: { one: 'of {limit}: {length} letter', other: 'of {limit}: {length} letters' },
    });
    const fill = (n: number) =>
      filledWords(words ?? '', { limit: count(9), length: count(n) }, style, 'en-US');
    expect([fill(1), fill(8)]).toEqual(['of 9: 1 letter', 'of 9: 8 letters']);
  });

  it('name the parts of a week, and keep two of the same year apart', () => {
    const slots = (first: string, second: string) => ({
      first: moment('week', first),
      second: moment('week', second),
    });
    const words = wordsFrom(
      [
        { message: 'Week 02, 2026 or week 04, 2026', slots: slots('2026-W02', '2026-W04') },
        { message: 'Week 50, 2027 or week 03, 2028', slots: slots('2027-W50', '2028-W03') },
      ],
      style,
      'en-US',
    );
    expect(words).toBe('Week {first.week}, {first.year} or week {second.week}, {second.year}');
  });

  it('are none where nobody measured them', () => {
    expect(filledWords(undefined, {}, style, 'en-US')).toBeNull();
    expect(
      filledWords({ by: 'limit', categories: { one: 'x' } }, { limit: count(3) }, style, 'en-US'),
    ).toBeNull();
  });

  it('filled and taken out again are the same words, in every style and language', () => {
    const gap = fc.integer({ min: 100, max: 999 });
    fc.assert(
      fc.property(
        fc.constantFrom(...slotStyles),
        fc.constantFrom('en-US', 'de-DE', 'fi-FI', 'ar'),
        fc.uniqueArray(gap, { minLength: 4, maxLength: 4 }),
        (one, language, numbers) => {
          const words = 'from {min} to {max}!';
          const slots = (min = 0, max = 0) => ({ min: number(`${min}.5`), max: number(`-${max}.25`) });
          const of = (given: ReturnType<typeof slots>) => ({
            message: filledWords(words, given, one, language) ?? '',
            slots: given,
          });
          const samples = [of(slots(numbers[0], numbers[1])), of(slots(numbers[2], numbers[3]))];
          expect(wordsFrom(samples, one, language)).toBe(words);
        },
      ),
    );
  });
});
