import { describe, expect, it } from 'vitest';
import { decimalSeparators, digitKeys } from '../purpose/numbers-by-language';
import { exemplarsOf } from './exemplars';
import { charactersMadeBy, inputMethodOf } from './input-methods';
import { letterKeys } from './letters';

const keysIn = (tag: string) => letterKeys(tag)?.rows.join(' ').split(' ') ?? null;

describe('exemplars', () => {
  it('are letters in the order of the alphabet, with what belongs to one behind it', () => {
    const greek = exemplarsOf('el', 'Grek');
    expect(greek?.letters.slice(0, 3)).toEqual([['α', 'ά'], ['β'], ['γ']]);
    expect(greek?.letters).toHaveLength(24);
    expect(greek?.all.has('ὰ')).toBe(true);
    expect(greek?.all.has('ж')).toBe(false);
  });
  it('know of signs behind a backslash, of numbers of characters, and of strings in braces', () => {
    expect(exemplarsOf('he', 'Hebr')?.all).toContain('\u200e');
    for (const sign of ['-', '[', ']', '\\', '&']) expect(exemplarsOf('el', 'Grek')?.all).toContain(sign);
    // "ch" is typed as "c" and "h", and no letter between them.
    const uzbek = exemplarsOf('uz', 'Latn');
    expect(uzbek?.letters.flat()).not.toContain('c');
    for (const sign of ['c', 'ʻ']) expect(uzbek?.all).toContain(sign);
    for (const brace of '{}') expect(uzbek?.all).not.toContain(brace);
  });
  it('are those of the script', () => {
    expect(exemplarsOf('sr', 'Cyrl')?.letters[0]).toEqual(['а']);
    expect(exemplarsOf('sr', 'Latn')?.letters[0]).toEqual(['a']);
    expect(exemplarsOf('kk', 'Latn')).toBeNull();
    expect(exemplarsOf('nv', 'Latn')).toBeNull();
  });
});

describe('letter keys', () => {
  it('stand as they do on phones where that is known, whatever the country', () => {
    expect(letterKeys('de-CH')?.rows[0]).toMatch(/^q w e/);
    expect(letterKeys('de-CH')?.written.by).toBe('layout');
    // What stands on no key that is drawn is written all the same.
    for (const sign of ['ă', 'Ă', '–']) expect(letterKeys('de')?.written.characters).toContain(sign);
    for (const sign of ['َ', '،', '؟']) expect(letterKeys('ar')?.written.characters).toContain(sign);
    expect(letterKeys('ar')?.capitals).toBeNull();
  });
  it('stand in the order of the alphabet where that is all that is known, held ones behind a bar', () => {
    expect(keysIn('el')?.slice(0, 5)).toEqual(['α|ά', 'β', 'γ', 'δ', 'ε|έ']);
    expect(letterKeys('el')).toMatchObject({ isLatin: false, written: { by: 'alphabet' } });
    expect(letterKeys('el')?.capitals?.[0]).toMatch(/^Α\|Ά Β Γ/);
    expect(Math.max(...(letterKeys('hi')?.rows ?? []).map((row) => row.split(' ').length))).toBeLessThan(12);
    expect(keysIn('hi')).toHaveLength(67);
  });
  it('have the basic Latin letters that an alphabet does without, in their places', () => {
    const turkish = keysIn('tr') ?? [];
    expect(turkish.join('')).toBe('abcçdefgğhıijklmnoöpqrsştuüvwxyz');
    expect(letterKeys('tr')?.capitals?.join(' ').replaceAll(' ', '')).toBe(
      'ABCÇDEFGĞHIİJKLMNOÖPQRSŞTUÜVWXYZ',
    );
    const uzbek = (keysIn('uz') ?? [])
      .map(([letter]) => letter)
      .filter((letter) => /[a-z]/.test(letter ?? ''));
    expect(uzbek.join('')).toBe('abcdefghijklmnopqrstuvwxyz');
  });
  it('have no capitals where a language has none, though Unicode has some of the script', () => {
    expect(letterKeys('ka')?.capitals).toBeNull();
    expect(letterKeys('hy')?.capitals?.[0]).toMatch(/^Ա/);
    expect(letterKeys('th')?.capitals).toBeNull();
  });
  it('write capitals, letters of names from elsewhere and marks too', () => {
    for (const sign of ['Ş', 'é', 'É', '’']) expect(letterKeys('tr')?.written?.characters).toContain(sign);
    expect(letterKeys('tr')?.written?.characters).not.toContain('ж');
  });
  it('are those that an input method spells with', () => {
    expect(keysIn('ko')?.[0]).toBe('ㅂ|ㅃ');
    expect(letterKeys('zh-Hant')).toMatchObject({ written: { by: 'input method' }, isLatin: false });
    expect(keysIn('ja')?.[0]).toMatch(/^あ\|い/);
  });
  it('are not known of a script in which a language is seldom written', () => {
    expect(letterKeys('kk-Latn')).toBeNull();
    expect(letterKeys('nv')).toBeNull();
  });
});

describe('an input method', () => {
  it.each([
    ['ja', 'あァｱー漢々、Ａ１髙𠮷', '한жα'],
    ['zh', '汉漢，１𠮷', 'あ한'],
    ['ko', '한ㄱ漢', 'あж'],
  ])('of %s makes %s, and none of %s', (language, made, others) => {
    const method = inputMethodOf(language);
    const characters = method ? charactersMadeBy(method) : new Set();
    expect([...made].filter((one) => !characters.has(one))).toEqual([]);
    expect([...others].filter((one) => characters.has(one))).toEqual([]);
  });
  it('is there for no language with an alphabet', () => {
    expect(inputMethodOf('vi')).toBeNull();
  });
});

describe('numbers', () => {
  it.each([
    ['en-US', '.'],
    ['de-DE', ','],
    ['de-CH', '.'],
    ['fr', ','],
    ['en-ZA', ','],
    ['es-MX', '.'],
    ['es-ES', ','],
    ['es', ',.'],
    ['ar', '٫.,'],
    ['fa', '٫'],
    ['hi', '.'],
  ])('in %s have %s before their decimals', (tag, signs) => {
    expect(decimalSeparators(tag).join('')).toBe(signs);
  });
  it('have digits of their own in some languages, those of ASCII behind them', () => {
    expect(digitKeys('fa').slice(-2)).toEqual(['۹|9', '۰|0']);
    expect(digitKeys('ar')[0]).toBe('١|1');
    expect(digitKeys('ja').join('')).toBe('1234567890');
  });
});
