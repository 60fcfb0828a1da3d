import type { Language } from '../target/variant';

/** Letter keys by language, three rows; those behind a bar come up when the key is held. */
const rows: Readonly<Record<'qwerty' | 'de-DE' | 'fi-FI' | 'ar', readonly [string, string, string]>> = {
  qwerty: [
    'q w e|éèêë r t y|ý u|úùûü i|íìîï o|óòôöøõ p',
    'a|áàâäåãæ s|ßš d f g h j k l',
    'z|ž x c|ç v b n|ñ m',
  ],
  'de-DE': ['q w e|éèê r t z u|úùû i|íìî o|óòôø p ü', 'a|áàâåãæ s|ßš d f g h j k l ö ä', 'y x c|ç v b n|ñ m'],
  'fi-FI': [
    'q w e|éèêë r t y u|üúùû i|íìîï o|óòôøõ p å',
    'a|áàâãæ s|šß d f g h j k l ö ä',
    'z|ž x c|ç v b n|ñ m',
  ],
  ar: ['ض ص ث ق ف غ ع ه خ ح ج', 'ش س ي|ئى ب ل ا|أإآ ت ن م ك ط', 'ذ ء ؤ ر ى ة و ز ظ د'],
};

/** Languages in which a letter has no capital: there is no layer of those. */
const oneCase: readonly Language[] = ['ar'];

export function letterRows(language: Language): readonly [string, string, string] {
  return language === 'en-US' || language === 'en-GB' ? rows.qwerty : rows[language];
}

export function hasCapitals(language: Language): boolean {
  return !oneCase.includes(language);
}

/** A row in capitals, with what comes up by holding in capitals too. */
export function capitals(row: string): string {
  return row.replace(/ß/g, '').toUpperCase();
}

/** What stands between the whole part of a number and its decimals (Unicode CLDR, "Number Symbols"). */
export function decimalSeparator(language: Language): string {
  switch (language) {
    case 'en-US':
    case 'en-GB':
      return '.';
    case 'de-DE':
    case 'fi-FI':
      return ',';
    case 'ar':
      return '٫';
  }
}

/** The digits that its keys bring, and those that come up when they are held. */
export function digitKeys(language: Language): readonly string[] {
  const ascii = '1234567890';
  return language === 'ar' ? [...'١٢٣٤٥٦٧٨٩٠'].map((digit, at) => `${digit}|${ascii[at]}`) : [...ascii];
}
