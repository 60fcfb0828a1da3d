import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { typedLanguage, unknownLanguage } from './typed-language';

const fieldIn = (lang: string | null, own = '') => {
  const page = lang === null ? '<html>' : `<html lang="${lang}">`;
  const [field] = readForm(`${page}<input name=a ${own}>`).fields;
  if (!field) throw new Error('no field');
  return field;
};

describe('the language of who types', () => {
  it.each([
    ['de', '', 'de-DE'],
    ['de-AT', '', 'de-DE'],
    ['en', '', 'en-US'],
    ['en-GB', '', 'en-GB'],
    ['en-AU', '', 'en-US'],
    ['fi', '', 'fi-FI'],
    ['ar-EG', '', 'ar'],
    ['en-ZA', '', 'en-ZA'],
    ['de-CH', '', 'de-CH'],
    ['ja', '', 'ja-JP'],
    ['fr', '', 'fr'],
    ['es-MX', '', 'es-MX'],
    ['sr-Latn-RS', '', 'sr-Latn-RS'],
    ['kk-Latn', '', null],
    ['tlh', '', 'en-US'],
    ['mi', 'lang=nv', null],
    ['de', 'lang=fi', 'fi-FI'],
    ['no tag at all!', '', 'en-US'],
    [null, '', 'en-US'],
  ])('of lang=%s %s is %s', (lang, own, language) => {
    expect(typedLanguage(fieldIn(lang, own), 'en-US')).toBe(language);
  });

  it('is that which is asked about where the page says none, or leaves the country open', () => {
    expect(typedLanguage(fieldIn(null), 'ar')).toBe('ar');
    expect(typedLanguage(fieldIn('en'), 'en-GB')).toBe('en-GB');
    expect(typedLanguage(fieldIn('en-US'), 'en-GB')).toBe('en-US');
  });

  it('is named where no letters of it are known', () => {
    expect(unknownLanguage(fieldIn('kk-Latn'))).toBe('kk');
    expect(unknownLanguage(fieldIn('de', 'lang=nv'))).toBe('nv');
    for (const known of ['de', 'ja-JP', 'el', null]) expect(unknownLanguage(fieldIn(known))).toBeNull();
  });
});
