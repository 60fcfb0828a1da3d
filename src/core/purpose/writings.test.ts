import cards from 'card-validator';
import { isValidIBAN } from 'ibantools';
import { isValidPhoneNumber } from 'libphonenumber-js';
import { postcodeValidator } from 'postcode-validator';
import { describe, expect, it } from 'vitest';
import { ibanCountries, ibansOf, ibansOfAllLengths } from './account-numbers';
import { cardNumbers } from './card-numbers';
import { phoneNumbers } from './phone-numbers';
import { postcodes } from './postcodes';
import { type Purpose, purposes } from './purpose';
import { placeOfUse } from './regions';
import { trialTexts } from './trial-texts';
import { writingsOf } from './writings';

const anything = () => true;
const textsOf = (purpose: Purpose, language: string | null, accepts: (text: string) => boolean = anything) =>
  writingsOf(purpose, placeOfUse(language), accepts).entered.map(({ text }) => text);
const matching = (pattern: string) => {
  const whole = new RegExp(`^(?:${pattern})$`, 'v');
  return (text: string) => whole.test(text);
};

describe('what people enter', () => {
  it('is valid by what keeps count of it', () => {
    for (const [country, [printed]] of postcodes)
      expect([country, postcodeValidator(printed, country)]).toEqual([country, true]);
    for (const country of ibanCountries)
      expect([country, ibansOf(country).map(({ text }) => isValidIBAN(text.replaceAll(' ', '')))]).toEqual([
        country,
        [true, true],
      ]);
    for (const { text } of cardNumbers)
      expect([text, cards.number(text.replace(/\D/g, '')).isValid]).toEqual([text, true]);
    for (const region of ['DE', 'GB', 'US', 'JP', 'SA', 'FI'] as const)
      for (const { text } of phoneNumbers(region))
        expect([text, isValidPhoneNumber(text, region)]).toEqual([text, true]);
  });

  it('of names has one thing about it that a rule may stumble over, the one that is said', () => {
    const refusedBy = (pattern: string) =>
      writingsOf('name', placeOfUse('en'), anything)
        .entered.filter(({ text }) => !matching(pattern)(text))
        .map(({ note }) => note);
    const marked = ['letters with marks', 'letters with marks', 'marks of their own'];
    expect(refusedBy("[A-Za-z '’\\-]+")).toEqual(marked);
    expect(refusedBy('[A-Za-z \\-]+')).toEqual([
      'apostrophe',
      ...marked.slice(0, 2),
      'typographic apostrophe',
      marked[2],
    ]);
    expect(refusedBy("[\\p{L}\\p{M} '’]+")).toEqual(['hyphen']);
  });

  it('is each text once, for every purpose in every language', () => {
    for (const language of [null, 'en', 'de', 'ja', 'ar', 'fa', 'hi', 'th', 'ko', 'zh-TW', 'ru', 'el', 'he'])
      for (const purpose of purposes) {
        const { entered, meaningless } = writingsOf(purpose, placeOfUse(language), anything);
        const all = [...entered, ...meaningless].map(({ text }) => text);
        expect([language, purpose, all.length]).toEqual([language, purpose, new Set(all).size]);
        expect(entered.length).toBeGreaterThan(0);
      }
  });

  it('is that of the country that the page names, or of the one for which the rule is', () => {
    expect(textsOf('postcode', 'de-CH', matching('[0-9]{5}'))).toEqual(['8001']);
    expect(textsOf('postcode', 'de', matching('[0-9]{5}'))).toEqual(['10115']);
    expect(textsOf('postcode', 'de', matching('[0-9]{4}'))).toEqual(['1010']);
    expect(textsOf('postcode', 'en', matching('[A-Z]{1,2}\\d[A-Z\\d]? \\d[A-Z]{2}'))).toEqual([
      'SK1 4TR',
      'SK14TR',
      'sk1 4tr',
    ]);
    expect(textsOf('postcode', 'nl', matching('x'))).toEqual(['1234 AB', '1234AB', '1234 ab']);
    expect(textsOf('phone', 'en', matching('0[0-9]{10}'))).toContain('07400123456');
  });

  it('is an account number of one country, or of all lengths where the rule is for all', () => {
    expect(textsOf('iban', 'de', matching('DE[0-9 ]{20,27}')).every((text) => text.startsWith('DE'))).toBe(
      true,
    );
    const all = textsOf('iban', 'de', matching('[A-Z]{2}[0-9]{2}[A-Z0-9]{11,30}'));
    expect(all).toEqual(expect.arrayContaining(ibansOfAllLengths().map(({ text }) => text)));
  });

  it('comes in the digits of the language too', () => {
    expect(textsOf('phone', 'ar-SA')).toContain('٠٥١٢٣٤٥٦٧٨');
    expect(textsOf('postcode', 'ja')).toContain('１００-０００１');
    expect(textsOf('postcode', 'fa', matching('x')).at(-1)).toMatch(/^[۰-۹]/);
    expect(textsOf('email', 'ar')).toEqual(textsOf('email', 'en'));
  });

  it('is written as where the person is', () => {
    expect(textsOf('date', 'en-US')).toEqual(expect.arrayContaining(['03/14/2026', 'March 14, 2026']));
    expect(textsOf('date', 'de')).toEqual(
      expect.arrayContaining(['14.03.2026', '4.3.2026', '14. März 2026']),
    );
    expect(textsOf('date', 'ja')).toContain('2026年3月14日');
    expect(textsOf('time', 'fi')).toContain('21.41');
    expect(textsOf('money', 'de')).toEqual(['12', '12,50']);
    expect(textsOf('money', 'en')).toEqual(['12', '12.50']);
    expect(textsOf('name', 'ja')).toEqual(['潮見 渚', 'しおみ なぎさ']);
    expect(textsOf('name', 'vi')[0]).toBe('Nguyễn Thị Biển');
  });

  it('takes what is no language tag for an unknown language', () => {
    expect(placeOfUse('!')).toEqual(placeOfUse(null));
    expect(placeOfUse('und')).toMatchObject({ isRegionKnown: false });
    expect(placeOfUse('pt_BR')).toMatchObject({ language: 'pt', region: 'BR', isRegionKnown: true });
  });

  it('is there to fill a field with, of the person’s country first', () => {
    const examples = (purpose: Purpose, language: string) => trialTexts(purpose, placeOfUse(language));
    expect(examples('postcode', 'ja').slice(0, 2)).toEqual(['100-0001', '1000001']);
    expect(examples('postcode', 'qaa')[0]).toBe('02134');
    expect(examples('iban', 'fr')[0]).toMatch(/^FR/);
    for (const text of examples('iban', 'de')) expect([text, isValidIBAN(text)]).toEqual([text, true]);
    expect(examples('name', 'de')).toEqual([]);
    expect([examples('name', 'ja')[0], examples('name', 'el')[0]]).toEqual(['潮見 渚', 'Νίκη Θαλασσινού']);
    expect(['de', 'de-CH', 'en', 'qaa', 'fr'].map((language) => examples('money', language)[0])).toEqual([
      '12,50',
      '12.50',
      '12.50',
      '12.50',
      '12,50',
    ]);
    expect(examples('money', 'fa')).toEqual(['12٫50', '12.50', '12,50', '12']);
  });
});
