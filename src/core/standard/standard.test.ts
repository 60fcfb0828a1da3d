import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { validityOf } from './constraint-validation';
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
  weeksIn,
} from './dates-and-times';
import { Decimal } from './decimal';
import { isValidEmailAddress } from './email-addresses';
import { fieldStateOf } from './field-state';
import { isValidFloatingPointNumber, parseFloatingPointNumber } from './floating-point-numbers';
import { parseNonNegativeInteger } from './non-negative-integers';
import { readPattern } from './pattern-attribute';
import { isStepMismatch, rangeOf } from './ranges-and-steps';
import { sanitizeValue } from './value-sanitization';

const none = { min: null, max: null, step: null, value: null, multiple: false };

/** The field of some markup after a script set its value. */
function stateAfter(markup: string, value: string | null = null, byPerson = false) {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error('no field');
  const state = fieldStateOf(field, { value, byPerson });
  return { value: state.currentValue, ...validityOf(state) };
}

describe('floating-point numbers', () => {
  it.each(['0', '-1', '.5', '1.50', '1e5', '-1.5E-3', '00'])('%s is valid', (text) => {
    expect(isValidFloatingPointNumber(text)).toBe(true);
  });
  it.each(['', '+1', '1.', ' 1', '1 ', '1e', 'e5', '--1', '1,5', '١', '1e999', 'Infinity', '0x10'])(
    '“%s” is not',
    (text) => {
      expect(isValidFloatingPointNumber(text)).toBe(false);
    },
  );
  it('parses more than it calls valid', () => {
    expect([' 1', '+2', '3.', '4abc', '5e1'].map(parseFloatingPointNumber)).toEqual([
      '1',
      '2',
      '3.',
      '4',
      '5e1',
    ]);
    expect(['', 'x', '.', '1e999'].map(parseFloatingPointNumber)).toEqual([null, null, null, null]);
  });
  it('takes every finite number as ECMAScript writes it, save for the plus in an exponent’s mantissa', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (n) => {
        expect(isValidFloatingPointNumber(String(n))).toBe(true);
      }),
    );
  });
});

describe('dates and times', () => {
  it('counts weeks as ISO 8601 does', () => {
    expect([2015, 2020, 2026, 2027].map(weeksIn)).toEqual([53, 53, 53, 52]);
    expect(formatDate(parseWeek('2026-W01') ?? 0)).toBe('2025-12-29');
    expect(parseWeek('2027-W53')).toBeNull();
  });
  it.each([
    [parseDate, '2026-02-29'],
    [parseDate, '0000-01-01'],
    [parseDate, '2026-1-01'],
    [parseMonth, '2026-13'],
    [parseTime, '24:00'],
    [parseTime, '1:00'],
    [parseTime, '12:00:00.0000'],
    [parseLocalDateAndTime, '2026-01-01 T12:00'],
    [parseWeek, '2026-W00'],
  ] as const)('refuses what is not in the calendar or the format: %o %s', (parse, text) => {
    expect(parse(text)).toBeNull();
  });
  it('reads days, weeks and moments beyond what Date can hold', () => {
    expect(parseDate('275760-09-14')).toBe(8_640_000_086_400_000);
    expect(formatDate(8_640_000_086_400_000)).toBe('275760-09-14');
    expect(formatWeek(parseWeek('300000-W01') ?? 0)).toBe('300000-W01');
  });
  it('writes what it reads, for every day, minute and week of many years', () => {
    fc.assert(
      fc.property(
        fc.date({
          min: new Date('0001-01-03T00:00Z'),
          max: new Date('9999-12-31T00:00Z'),
          noInvalidDate: true,
        }),
        (date) => {
          const ms = Math.floor(date.getTime() / 1000) * 1000;
          expect(parseDate(formatDate(ms))).toBe(Math.floor(ms / 86_400_000) * 86_400_000);
          expect(parseLocalDateAndTime(formatLocalDateAndTime(ms))).toBe(ms);
          const months = (date.getUTCFullYear() - 1970) * 12 + date.getUTCMonth();
          expect(parseMonth(formatMonth(months))).toBe(months);
          const day = Math.floor(ms / 86_400_000);
          const monday = (day - ((((day + 3) % 7) + 7) % 7)) * 86_400_000;
          expect(parseWeek(formatWeek(monday))).toBe(monday);
        },
      ),
    );
  });
  it('writes the shortest time', () => {
    expect([0, 60_000, 61_000, 61_500].map(formatTime)).toEqual(['00:00', '00:01', '00:01:01', '00:01:01.5']);
  });
});

describe('e-mail addresses', () => {
  it('takes what the standard takes, which is neither all of the RFC nor only sensible addresses', () => {
    expect(['a@b', 'a+tide@skerry.example', "o'hara@x-y.example"].every(isValidEmailAddress)).toBe(true);
    expect(
      ['', 'a@', '@b', 'a b@c', 'a@b_c', 'a@-b', 'a@ü.example', 'a@b.', `a@${'x'.repeat(64)}`].some(
        isValidEmailAddress,
      ),
    ).toBe(false);
  });
});

describe('value sanitization', () => {
  it.each([
    ['text', 'a\r\nb', 'ab'],
    ['url', ' \n http://x \t', 'http://x'],
    ['email', ' a@b ', 'a@b'],
    ['number', '1e2', '1e2'],
    ['number', '1.', ''],
    ['date', '2026-02-30', ''],
    ['datetime-local', '2026-01-01 07:30:00.000', '2026-01-01T07:30'],
    ['time', '07:30:00', '07:30:00'],
    ['color', '#AABBCC', '#aabbcc'],
    ['color', 'teal', '#008080'],
    ['color', '#Abc', '#aabbcc'],
    ['color', '#11223344', '#112233'],
    ['color', 'seaweed', '#000000'],
    ['color', 'constructor', '#000000'],
    ['range', '', '50'],
    ['range', '-7', '0'],
    ['range', '5.5', '6'],
    ['textarea', 'a\r\nb\rc', 'a\nb\nc'],
  ] as const)('%s: %j becomes %j', (kind, from, to) => {
    expect(sanitizeValue(kind, from, none)).toBe(to);
  });
  it('splits and trims several addresses', () => {
    expect(sanitizeValue('email', ' a@b ,  c@d', { ...none, multiple: true })).toBe('a@b,c@d');
  });
  it('keeps a range inside its limits and on a step, whatever is asked', () => {
    const limit = fc.integer({ min: -500, max: 500 });
    fc.assert(
      fc.property(
        limit,
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 60 }),
        fc.double({ noNaN: true }),
        (min, room, step, asked) => {
          const attributes = { ...none, min: String(min), max: String(min + room), step: String(step) };
          const value = Number(sanitizeValue('range', String(asked), attributes));
          expect(value).toBeGreaterThanOrEqual(min);
          expect(value).toBeLessThanOrEqual(min + room);
          expect((value - min) % step).toBe(0);
        },
      ),
    );
  });
  it('is done once: sanitizing again changes nothing', () => {
    const kinds = [
      'text',
      'url',
      'email',
      'number',
      'range',
      'date',
      'month',
      'week',
      'time',
      'datetime-local',
      'color',
      'textarea',
    ] as const;
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.string({ unit: 'binary' }), (kind, text) => {
        const once = sanitizeValue(kind, text, none);
        expect(sanitizeValue(kind, once, none)).toBe(once);
      }),
    );
  });
});

describe('gauges', () => {
  it.each([
    ['<meter value=82></meter>', '1'],
    ['<meter min=20 max=120 value=82></meter>', '82'],
    ['<meter min=5 max=1></meter>', '5'],
    ['<progress></progress>', '0'],
    ['<progress max=100 value=35></progress>', '35'],
    ['<progress max=-1 value=7></progress>', '1'],
  ])('%s has the value %s', (markup, value) => {
    expect(stateAfter(markup).value).toBe(value);
  });
});

describe('steps', () => {
  it('is not misled by decimal fractions', () => {
    const range = rangeOf('number', { ...none, step: '0.01', min: '-3' });
    fc.assert(
      fc.property(fc.integer({ min: -300, max: 800 }), (hundredths) => {
        expect(
          range && isStepMismatch('number', range, Decimal.fromNumber(Number((hundredths / 100).toFixed(2)))),
        ).toBe(false);
        expect(
          range &&
            isStepMismatch(
              'number',
              range,
              Decimal.fromNumber(Number((hundredths / 100 + 0.003).toFixed(3))),
            ),
        ).toBe(true);
      }),
    );
  });
  it('counts from min, else from the value attribute', () => {
    expect(stateAfter('<input type=number min=1 step=2>', '3').flags).toEqual([]);
    expect(stateAfter('<input type=number value=3 step=2>', '5').flags).toEqual([]);
    expect(stateAfter('<input type=number step=2>', '3').flags).toEqual(['stepMismatch']);
    expect(stateAfter('<input type=number step=any>', '0.123').flags).toEqual([]);
  });
});

describe('pattern', () => {
  it('must match the whole value, and is ignored when it does not compile', () => {
    expect(stateAfter('<input pattern=a|b>', 'ab').flags).toEqual(['patternMismatch']);
    expect(stateAfter('<input pattern="[a-]">', 'x').flags).toEqual([]);
    expect(readPattern('a)(b').status).toBe('ignored');
    expect(readPattern('\\p{Lu}').status).toBe('compiled');
  });
});

describe('constraint validation', () => {
  it.each([
    ['<input required>', '', ['valueMissing']],
    ['<input type=email>', 'x', ['typeMismatch']],
    ['<input type=url>', 'skerry', ['typeMismatch']],
    ['<input type=number min=0 max=8>', '9', ['rangeOverflow']],
    ['<input type=date min=2026-01-01>', '2025-12-31', ['rangeUnderflow']],
    ['<input type=time min=22:00 max=06:00>', '12:00', ['rangeUnderflow', 'rangeOverflow']],
    ['<input type=time min=22:00 max=06:00>', '23:00', []],
    ['<select required><option value="">choose<option>a</select>', null, ['valueMissing']],
    ['<textarea required></textarea>', '', ['valueMissing']],
    ['<input type=checkbox required>', null, ['valueMissing']],
    ['<input type=radio name=a><input type=radio name=a required>', null, ['valueMissing']],
    ['<input type=radio name=a><input type=radio name=a required checked>', null, []],
    ['<input type=hidden required>', '', []],
  ] as const)('%s set to %j: %j', (markup, value, flags) => {
    expect(stateAfter(markup, value).flags).toEqual(flags);
  });
  it('minds lengths only after a person’s edit, in UTF-16 code units', () => {
    expect(stateAfter('<input maxlength=3>', 'abcd').flags).toEqual([]);
    expect(stateAfter('<input maxlength=3>', 'ab😀', true).flags).toEqual(['tooLong']);
    expect(stateAfter('<input minlength=3>', 'ab', true).flags).toEqual(['tooShort']);
    expect(stateAfter('<input minlength=3>', '', true).flags).toEqual([]);
  });
  it('bars what is disabled, read-only or not for entry', () => {
    const validates = (markup: string) => stateAfter(markup).willValidate;
    expect(validates('<input disabled>')).toBe(false);
    expect(validates('<fieldset disabled><input></fieldset>')).toBe(false);
    expect(validates('<input readonly>')).toBe(false);
    expect(validates('<input type=hidden>')).toBe(false);
    expect(validates('<input>')).toBe(true);
  });
  it('reads lengths as the standard reads integers', () => {
    expect(['5', ' +7x', '-1', '-0', 'x', ''].map(parseNonNegativeInteger)).toEqual([
      5,
      7,
      null,
      0,
      null,
      null,
    ]);
  });
});
