import { type Exemplars, exemplarsOf } from './exemplars';
import { charactersMadeBy, inputMethodOf } from './input-methods';
import type { LetterRows } from './key-rows';

/** The keys for the letters of a language, and what they bring together. */
export interface LetterKeys {
  readonly rows: LetterRows;
  /** Null where letters have none. */
  readonly capitals: LetterRows | null;
  /** Otherwise Latin letters have layers of their own. */
  readonly isLatin: boolean;
  readonly written: Written;
}

/** What a keyboard writes besides what stands on its keys, and by what that is known. */
export interface Written {
  readonly by: 'input method' | 'alphabet' | 'layout';
  /** Each one code point. */
  readonly characters: ReadonlySet<string>;
}

/** Keys as they stand on the keyboards of phones. */
const layouts: Readonly<Record<'en' | 'de' | 'fi' | 'ar', readonly [string, string, string]>> = {
  en: ['q w e|éèêë r t y|ý u|úùûü i|íìîï o|óòôöøõ p', 'a|áàâäåãæ s|ßš d f g h j k l', 'z|ž x c|ç v b n|ñ m'],
  de: ['q w e|éèê r t z u|úùû i|íìî o|óòôø p ü', 'a|áàâåãæ s|ßš d f g h j k l ö ä', 'y x c|ç v b n|ñ m'],
  fi: ['q w e|éèêë r t y u|üúùû i|íìîï o|óòôøõ p å', 'a|áàâãæ s|šß d f g h j k l ö ä', 'z|ž x c|ç v b n|ñ m'],
  ar: ['ض ص ث ق ف غ ع ه خ ح ج', 'ش س ي|ئى ب ل ا|أإآ ت ن م ك ط', 'ذ ء ؤ ر ى ة و ز ظ د'],
};

const isLaidOut = (language: string): language is keyof typeof layouts => Object.hasOwn(layouts, language);

const known = new Map<string, LetterKeys | null>();

/**
 * The letter keys of a language: as they are laid out where that is known; of one with an input method, those that it is spelled with;
 * else the letters of CLDR in the order of the alphabet.
 *
 * @param tag BCP 47
 * @returns null where the letters of the language, or of the script that the tag names, are not known
 */
export function letterKeys(tag: string): LetterKeys | null {
  const { language, script = '' } = new Intl.Locale(tag).maximize();
  const name = `${language}-${script}`;
  const keys = known.has(name) ? known.get(name) : made(language, script);
  known.set(name, keys ?? null);
  return keys ?? null;
}

/** The keys of English: on every phone they are one key away from those of other scripts. */
export function latinKeys(): LetterKeys {
  const keys = letterKeys('en');
  if (!keys) throw new Error('The letters of English are missing.');
  return keys;
}

function made(language: string, script: string): LetterKeys | null {
  const method = inputMethodOf(language);
  if (method && script !== 'Latn') {
    const written = { by: 'input method', characters: charactersMadeBy(method) } as const;
    return { rows: method.rows, capitals: null, isLatin: false, written };
  }
  const exemplars = exemplarsOf(language, script);
  if (!exemplars) return null;
  return isLaidOut(language)
    ? ofLayout(exemplars, language, script)
    : ofAlphabet(exemplars, language, script);
}

function ofLayout({ all }: Exemplars, language: keyof typeof layouts, script: string): LetterKeys {
  const rows = layouts[language];
  const isLatin = script === 'Latn';
  const written = { by: 'layout', characters: inBothCases(all, language) } as const;
  return { rows, capitals: isLatin ? inCapitals(rows, language) : null, isLatin, written };
}

/** Keys in a row. */
const widest = 11;

function ofAlphabet({ letters, all }: Exemplars, language: string, script: string): LetterKeys {
  const isLatin = script === 'Latn';
  const keys = (isLatin ? withBasicLatin(letters) : letters).map(([letter, ...held]) =>
    held.length > 0 ? `${letter}|${held.join('')}` : letter,
  );
  const count = Math.max(2, Math.ceil(keys.length / widest));
  const length = Math.ceil(keys.length / count);
  const row = (at: number) => keys.slice(at * length, (at + 1) * length).join(' ');
  const rows: LetterRows = [row(0), row(1), ...Array.from({ length: count - 2 }, (_, at) => row(at + 2))];
  const hasCapitals = letters.some(([letter]) => /\p{Changes_When_Titlecased}/u.test(letter));
  return {
    rows,
    capitals: hasCapitals ? inCapitals(rows, language) : null,
    isLatin,
    written: { by: 'alphabet', characters: inBothCases(all, language) },
  };
}

/** Letters of the basic Latin alphabet that a language does without stand on its keyboards all the same, where the alphabet has them. */
function withBasicLatin(letters: Exemplars['letters']): Exemplars['letters'] {
  const all = [...letters];
  for (const letter of 'abcdefghijklmnopqrstuvwxyz') {
    if (all.some((group) => group.includes(letter))) continue;
    const at = all.findIndex(([first]) => /[a-z]/.test(first) && first > letter);
    all.splice(at < 0 ? all.length : at, 0, [letter]);
  }
  return all;
}

function inBothCases(characters: ReadonlySet<string>, language: string): ReadonlySet<string> {
  return new Set([...characters].flatMap((one) => [one, ...capitals(one, language)]));
}

function inCapitals([first, second, ...others]: LetterRows, language: string): LetterRows {
  const upper = (row: string) => capitals(row, language);
  return [upper(first), upper(second), ...others.map(upper)];
}

/** A row in capitals, with what comes up by holding in capitals too. Where there is an i without a dot, the other keeps its dot. */
export function capitals(row: string, language: string): string {
  const plain = row.replace(/ß/g, '');
  return language === 'tr' || language === 'az' ? plain.toLocaleUpperCase(language) : plain.toUpperCase();
}
