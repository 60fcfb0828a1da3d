import { type LetterRows, qwerty } from './key-rows';

/** How a language is written whose characters are more than there can be keys: keys spell, and what is meant is chosen. */
export interface InputMethod {
  readonly rows: LetterRows;
  /** Scripts whose characters it makes, by the property of the Unicode Standard. */
  readonly makes: RegExp;
}

/** Signs of East Asian texts, and letters and digits as wide as they are: every one of the methods has them. */
const wide = '\\u3000-\\u303f\\uff01-\\uff5e';

const han = new RegExp(`[\\p{Script=Han}${wide}]`, 'u');

const methods: ReadonlyMap<string, InputMethod> = new Map<string, InputMethod>([
  [
    'ja',
    {
      // Ten keys for the rows of kana; the others of a row come up when its key is held or drawn aside.
      rows: [
        'あ|いうえおぁぃぅぇぉ か|きくけこがぎぐげご さ|しすせそざじずぜぞ',
        'た|ちつてとだぢづでどっ な|にぬねの は|ひふへほばびぶべぼぱぴぷぺぽ',
        'ま|みむめも や|ゆよゃゅょ ら|りるれろ',
        '、|。？！ わ|をんー',
      ],
      makes: new RegExp(
        `[\\p{Script_Extensions=Hiragana}\\p{Script_Extensions=Katakana}\\p{Script=Han}${wide}]`,
        'u',
      ),
    },
  ],
  // The letters of the two-set layout (KS X 5002).
  [
    'ko',
    {
      rows: [
        'ㅂ|ㅃ ㅈ|ㅉ ㄷ|ㄸ ㄱ|ㄲ ㅅ|ㅆ ㅛ ㅕ ㅑ ㅐ|ㅒ ㅔ|ㅖ',
        'ㅁ ㄴ ㅇ ㄹ ㅎ ㅗ ㅓ ㅏ ㅣ',
        'ㅋ ㅌ ㅊ ㅍ ㅠ ㅜ ㅡ',
      ],
      makes: new RegExp(`[\\p{Script=Hangul}\\p{Script=Han}${wide}]`, 'u'),
    },
  ],
  // Latin letters spell the sounds.
  ['zh', { rows: qwerty, makes: han }],
  ['yue', { rows: qwerty, makes: han }],
]);

/** @param language ISO 639 */
export function inputMethodOf(language: string): InputMethod | null {
  return methods.get(language) ?? null;
}

/** Every character that a method makes, each one code point. */
export function charactersMadeBy(method: InputMethod): ReadonlySet<string> {
  const characters = new Set<string>();
  for (let code = firstWide; code <= lastHan; code++) {
    const character = String.fromCodePoint(code);
    if (method.makes.test(character)) characters.add(character);
  }
  return characters;
}

/** Where the first and the last characters of these scripts are: letters of Hangul, and the plane of rare ideographs. */
const [firstWide, lastHan] = [0x1100, 0x3ffff];
