import { describe, expect, it } from 'vitest';
import { decimalSeparators } from '../purpose/numbers-by-language';
import { keyboardOf } from './keyboards';
import { withKeysSeen } from './keys-seen';
import { writableWith } from './writable-characters';

const letters = (language: string) =>
  writableWith(keyboardOf('ios-like', 'letters', language), decimalSeparators(language));
const pad = (language: string) =>
  writableWith(keyboardOf('ios-like', 'numbers', language), decimalSeparators(language));

describe('what is written with a keyboard', () => {
  it.each([
    ['el', 'Νίκη', 'Ж'],
    ['hi', 'कृषि', 'ж'],
    ['ja', '東京カナ', '한'],
    ['ko', '한국', 'あ'],
    ['vi', 'Nguyễn', 'ж'],
    ['tr', 'İğdır', 'ж'],
    ['en-US', 'Zoë😀', 'ж'],
  ])('in %s are the graphemes of %s, and not %s', (language, text, other) => {
    const { has } = letters(language);
    const graphemes = [...new Intl.Segmenter('en').segment(text)].map(({ segment }) => segment);
    expect(graphemes.filter((one) => !has(one))).toEqual([]);
    expect(has(other)).toBe(false);
  });
  it('does not depend on how a letter with a mark is put together', () => {
    expect(letters('en-US').has('e\u0308')).toBe(true);
    expect(letters('en-US').has('ж\u0308')).toBe(false);
  });
  it('on a pad is one sign before decimals, or each where the country is not known', () => {
    expect([pad('fr').has(','), pad('fr').has('.')]).toEqual([true, false]);
    expect([pad('es').has(','), pad('es').has('.')]).toEqual([true, true]);
    expect([pad('es-MX').has(','), pad('es-MX').has('.')]).toEqual([false, true]);
    expect(pad('ja').has('あ')).toBe(false);
  });
  it('on a pad of digits is no sign that stands on none of its keys', () => {
    const digits = writableWith(keyboardOf('ios-like', 'digits', 'es'), decimalSeparators('es'));
    expect([digits.has('1'), digits.has('.'), digits.has(',')]).toEqual([true, false, false]);
  });
  it('are the digits of ASCII wherever there are some', () => {
    expect(pad('fa').has('5')).toBe(true);
    expect(pad('fa').has('۵')).toBe(true);
  });
  it('is not what somebody did not find there', () => {
    const seen = { sort: 'letters', language: 'el', has: [], lacks: ['ω'] } as const;
    const known = { source: 'test', sure: 'corrected' } as const;
    const keyboard = withKeysSeen(keyboardOf('ios-like', 'letters', 'el'), { ...seen, known });
    expect(writableWith(keyboard, ['.']).has('ω')).toBe(false);
    expect(writableWith(keyboard, ['.']).has('α')).toBe(true);
  });
});
