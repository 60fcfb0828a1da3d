import { decimalSeparators, digitKeys } from '../purpose/numbers-by-language';
import { keyRows } from './key-rows';
import type { Keyboard, Layer } from './keyboard';
import type { Known } from './known';
import { type LetterKeys, latinKeys, letterKeys } from './letters';

/** Sorts of keyboards that a field can bring up. */
export const keyboardSorts = [
  'letters',
  'letters for e-mail',
  'letters for addresses',
  'letters, from the numbers',
  'digits',
  'numbers',
  'telephone',
] as const;
export type KeyboardSort = (typeof keyboardSorts)[number];

/** Whose keyboards these are: what comes with the two large phone platforms, drawn in no maker's way. */
export const keyboardFamilies = ['android-like', 'ios-like'] as const;
export type KeyboardFamily = (typeof keyboardFamilies)[number];

const remembered = (what: string): Known => ({
  source: `${what}, as remembered from use and developers’ notes; not checked on a device`,
  sure: 'remembered',
});

const known: Readonly<Record<KeyboardFamily, Known>> = {
  'android-like': remembered('The keyboard that comes with Android-like phones'),
  'ios-like': remembered('The keyboard that comes with iOS-like phones'),
};

const made = new Map<string, Keyboard>();

/**
 * The keyboard of a family for a sort of field, in a language; the same one each time, so that what is worked out of it holds.
 *
 * @param language BCP 47; one of which no letters are known has the letters of English
 */
export function keyboardOf(family: KeyboardFamily, sort: KeyboardSort, language: string): Keyboard {
  const name = `${family} ${sort} ${language}`;
  const keyboard = made.get(name) ?? makeKeyboard(family, sort, language);
  made.set(name, keyboard);
  return keyboard;
}

function makeKeyboard(family: KeyboardFamily, sort: KeyboardSort, language: string): Keyboard {
  const keys = letterKeys(language) ?? latinKeys();
  const layers = makers[family](sort, language, keys);
  const hasLetters = layers.some(({ id }) => id === 'letters');
  return { name: sort, layers, written: hasLetters ? keys.written : null, known: known[family] };
}

const makers: Readonly<
  Record<
    KeyboardFamily,
    (sort: KeyboardSort, language: string, keys: LetterKeys) => readonly [Layer, ...Layer[]]
  >
> = { 'android-like': androidLike, 'ios-like': iosLike };

/** A few of them stand for all: a keyboard that has this layer can bring every emoji. */
const someEmoji = ['😀 😂 😍 👍 🙏', '🌊 🐦 🎣 ⚓ ☀', '❤ ✅ ⚠ 🙂 🎉'] as const;

/**
 * Lower and upper case. Where the letters of the language are no Latin ones, those of English behind the key that changes the language.
 */
function letterLayers(
  keys: LetterKeys,
  language: string,
  rest: string,
  bottom: string,
): readonly [Layer, ...Layer[]] {
  const change = (to: string, language: string) => `<to:${to}:${language.toUpperCase()}:1.5>`;
  const toLatin = keys.isLatin ? null : change('latin', 'en');
  const own = casesOf(keys, ['letters', 'capitals'], toLatin, rest, bottom);
  if (keys.isLatin) return own;
  const back = change('letters', new Intl.Locale(language).language);
  return [...own, ...casesOf(latinKeys(), ['latin', 'latin-capitals'], back, rest, bottom)];
}

/**
 * A layer of letters, and one of their capitals where there are some.
 *
 * @param toOther the key to the other language's letters; null where there is none
 */
function casesOf(
  { rows, capitals }: LetterKeys,
  [small, large]: readonly [string, string],
  toOther: string | null,
  rest: string,
  bottom: string,
): readonly [Layer, ...Layer[]] {
  const change = toOther === null ? [] : [toOther];
  const layer = (id: string, of: readonly string[], before: readonly string[], below: readonly string[]) => ({
    id,
    rows: keyRows(...of.slice(0, -1), [...before, of.at(-1), rest].join(' '), [...below, bottom].join(' ')),
  });
  if (capitals === null) return [layer(small, rows, change, [])];
  return [
    layer(small, rows, [`<to:${large}:⇧:1.5>`], change),
    { ...layer(large, capitals, [`<to:${small}:⇩:1.5>`], change), returnsTo: small },
  ];
}

/** Nothing comes up when a key of a pad is held. */
function bare(key = ''): string {
  return key.slice(0, 1);
}

function padRows(digits: readonly string[]): readonly string[] {
  return [0, 3, 6].map((from) =>
    digits
      .slice(from, from + 3)
      .map(bare)
      .join(' '),
  );
}

function androidLike(sort: KeyboardSort, language: string, keys: LetterKeys): readonly [Layer, ...Layer[]] {
  const digits = digitKeys(language);
  const pad = padRows(digits);
  const zero = bare(digits[9]);
  switch (sort) {
    case 'digits':
    case 'numbers':
      return [
        {
          id: 'numbers',
          rows: keyRows(`${pad[0]} -`, `${pad[1]} <space>`, `${pad[2]} <erase>`, `, ${zero} . <action>`),
        },
      ];
    case 'telephone':
      return [
        {
          id: 'numbers',
          rows: keyRows(
            `${pad[0]} -`,
            `${pad[1]} <space>`,
            `${pad[2]} <erase>`,
            `<to:signs:*#+> ${zero} . <action>`,
          ),
        },
        {
          id: 'signs',
          rows: keyRows('( / ) -', '+ ; , <space>', '* # N <erase>', '<to:numbers:123> <gap:2> <action>'),
        },
      ];
    default: {
      const beside = sort === 'letters for e-mail' ? '@' : sort === 'letters for addresses' ? '/' : ',';
      const dot = sort === 'letters for addresses' ? '.|-:' : '.';
      const bottom = `<to:numbers:?123:1.5> ${beside} <to:emoji:☺> <space:4> ${dot} <action:1.5>`;
      const below = '<to:letters:abc:1.5> , <space:5> . <action:1.5>';
      return [
        ...letterLayers(keys, language, '<erase:1.5>', bottom),
        {
          id: 'numbers',
          rows: keyRows(
            digits.join(' '),
            '@ # € _ & - + ( ) /',
            `<to:signs:=\\<:1.5> * " ' : ; ! ? <erase:1.5>`,
            below,
          ),
        },
        {
          id: 'signs',
          rows: keyRows(
            '~ ` | • √ π ÷ × § ∆',
            '£ ¢ $ ¥ ^ ° = { } \\',
            '<to:numbers:?123:1.5> % © ® ™ ✓ [ ] <erase:1.5>',
            '<to:letters:abc:1.5> < <space:5> > <action:1.5>',
          ),
        },
        { id: 'emoji', rows: keyRows(...someEmoji, '<to:letters:abc:2> <space:4> <erase:2>') },
      ];
    }
  }
}

function iosLike(sort: KeyboardSort, language: string, keys: LetterKeys): readonly [Layer, ...Layer[]] {
  const digits = digitKeys(language);
  const pad = padRows(digits);
  const zero = bare(digits[9]);
  switch (sort) {
    case 'digits':
      return [{ id: 'digits', rows: keyRows(...pad, `<gap> ${zero} <erase>`) }];
    case 'numbers':
      return [{ id: 'digits', rows: keyRows(...pad, `${decimalSeparators(language)[0]} ${zero} <erase>`) }];
    case 'telephone':
      return [
        { id: 'digits', rows: keyRows(...pad, `<to:signs:+*#> ${zero} <erase>`) },
        {
          id: 'signs',
          rows: keyRows('<gap> + <gap>', ', <gap> ;', '* <gap> #', '<to:digits:123> <gap> <erase>'),
        },
      ];
    default: {
      const bottom =
        sort === 'letters for e-mail'
          ? '<to:numbers:123:2> <to:emoji:☺> <space:3> @ . <action:2>'
          : sort === 'letters for addresses'
            ? '<to:numbers:123:2> <to:emoji:☺> . / .com <action:2>'
            : '<to:numbers:123:2> <to:emoji:☺> <space:5> <action:2>';
      const below = '<to:letters:ABC:2> <space:6> <action:2>';
      const marks = ". , ?|¿ !|¡ '|’‘`";
      const numbers: Layer = {
        id: 'numbers',
        rows: keyRows(
          digits.join(' '),
          '-|–—• / : ; ( ) €|$£¥ & @ "|“”„»«',
          `<to:signs:#+=:1.5> ${marks} <erase:1.5>`,
          below,
        ),
      };
      const rest: readonly Layer[] = [
        {
          id: 'signs',
          rows: keyRows(
            '[ ] { } # %|‰ ^ * + =|≠≈',
            '_ \\ | ~ < > $ £ ¥ •',
            `<to:numbers:123:1.5> ${marks} <erase:1.5>`,
            below,
          ),
        },
        { id: 'emoji', rows: keyRows(...someEmoji, '<to:letters:ABC:2> <space:4> <erase:2>') },
      ];
      const letters = letterLayers(keys, language, '<erase:1.5>', bottom);
      return sort === 'letters, from the numbers'
        ? [numbers, ...letters, ...rest]
        : [...letters, numbers, ...rest];
    }
  }
}

/** Whether a keyboard has the layer that stands for every emoji. */
export function hasEmoji({ layers }: Pick<Keyboard, 'layers'>): boolean {
  return layers.some(({ id }) => id === 'emoji');
}
