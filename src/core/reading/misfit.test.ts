import { describe, expect, it } from 'vitest';
import { array, boolean, lazy, number, object, string } from 'yup';
import { mapOf } from '../document/form-schema';
import { misfitPlace, misfitText } from '../words/misfit-words';
import { fitted } from './misfit';

const schema = object({
  name: string().strict().required().max(4),
  sides: array(string().strict().oneOf(['bow', 'stern, or aft']).required())
    .strict()
    .min(1)
    .max(2),
  level: number().strict().integer().min(-3).max(8),
  sent: boolean().strict(),
  picture: string()
    .strict()
    .matches(/^[0-9a-f]{64}$/, { name: 'SHA-256' }),
  odd: string().strict().matches(/^x/),
  tides: mapOf(object({ at: number().strict().required() }).strict().noUnknown()).optional(),
  either: lazy((value) => (typeof value === 'string' ? string().strict().max(1) : number().strict())),
})
  .strict()
  .noUnknown();

const whole = { name: 'Gull' };

describe('what does not fit a schema', () => {
  it.each<[object, object, string]>([
    [{}, { path: 'name', code: 'missing' }, 'at name: the value is missing or empty'],
    [{ name: null }, { path: 'name', code: 'missing' }, 'at name: the value is missing or empty'],
    [{ name: '' }, { path: 'name', code: 'missing' }, 'at name: the value is missing or empty'],
    [{ name: 5 }, { path: 'name', code: 'other type', wanted: 'string' }, 'at name: a text is expected'],
    [
      { name: 'Gulls' },
      { path: 'name', code: 'too much', of: 'characters', most: 4 },
      'at name: the limit is 4 characters',
    ],
    [
      { ...whole, sides: ['bow', 'port'] },
      { path: 'sides[1]', code: 'not listed', values: ['bow', 'stern, or aft'] },
      'at sides[1]: one of “bow” and “stern, or aft” is expected',
    ],
    [
      { ...whole, sides: [] },
      { path: 'sides', code: 'too little', of: 'entries', least: 1 },
      'at sides: the minimum is 1 entry',
    ],
    [
      { ...whole, sides: ['bow', 'bow', 'bow'] },
      { path: 'sides', code: 'too much', of: 'entries', most: 2 },
      'at sides: the limit is 2 entries',
    ],
    [
      { ...whole, level: 9 },
      { path: 'level', code: 'too much', of: 'number', most: 8 },
      'at level: the limit is 8',
    ],
    [
      { ...whole, level: 1.5 },
      { path: 'level', code: 'no whole number' },
      'at level: a whole number is expected',
    ],
    [
      { ...whole, level: -4 },
      { path: 'level', code: 'too little', of: 'number', least: -3 },
      'at level: the minimum is -3',
    ],
    [
      { ...whole, sent: 'yes' },
      { path: 'sent', code: 'other type', wanted: 'boolean' },
      'at sent: true or false is expected',
    ],
    [
      { ...whole, picture: 'x' },
      { path: 'picture', code: 'refused', rule: 'SHA-256' },
      'at picture: a SHA-256 of 64 hexadecimal digits is expected',
    ],
    [
      { ...whole, odd: 'y' },
      { path: 'odd', code: 'refused', rule: null },
      'at odd: the value is not accepted',
    ],
    [
      { ...whole, wind: 1, rain: 2 },
      { path: '', code: 'unknown entries', names: ['wind', 'rain'] },
      'at its top level: “wind” and “rain” are unknown',
    ],
    [
      { ...whole, tides: { constructor: { at: 'noon' } } },
      { path: 'tides.constructor.at', code: 'other type', wanted: 'number' },
      'at tides.constructor.at: a number is expected',
    ],
    [
      { ...whole, tides: { high: {} } },
      { path: 'tides.high.at', code: 'missing' },
      'at tides.high.at: the value is missing or empty',
    ],
    [
      { ...whole, either: 'ab' },
      { path: 'either', code: 'too much', of: 'characters', most: 1 },
      'at either: the limit is 1 character',
    ],
  ])('%j is a code, where it is, and a sentence', (value, misfit, says) => {
    const fitting = fitted(schema, value);
    expect(fitting).toEqual({ status: 'misfit', misfit });
    if (fitting.status === 'misfit')
      expect(`${misfitPlace(fitting.misfit)}: ${misfitText(fitting.misfit)}`).toBe(says);
  });

  it('is nothing where all fits', () => {
    expect(fitted(schema, whole)).toEqual({ status: 'fits', value: whole });
  });

  it('is quoted in few words, however long it is', () => {
    const misfit = {
      path: 'a'.repeat(5000),
      code: 'unknown entries',
      names: Array(500).fill('b'.repeat(900)),
    } as const;
    expect(`${misfitPlace(misfit)}: ${misfitText(misfit)}`.length).toBeLessThan(1200);
  });
});
