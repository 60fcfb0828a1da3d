import af from 'cldr-misc-full/main/af/characters.json';
import am from 'cldr-misc-full/main/am/characters.json';
import ar from 'cldr-misc-full/main/ar/characters.json';
import as_ from 'cldr-misc-full/main/as/characters.json';
import az from 'cldr-misc-full/main/az/characters.json';
import be from 'cldr-misc-full/main/be/characters.json';
import bg from 'cldr-misc-full/main/bg/characters.json';
import bn from 'cldr-misc-full/main/bn/characters.json';
import bs from 'cldr-misc-full/main/bs/characters.json';
import ca from 'cldr-misc-full/main/ca/characters.json';
import ckb from 'cldr-misc-full/main/ckb/characters.json';
import cs from 'cldr-misc-full/main/cs/characters.json';
import cy from 'cldr-misc-full/main/cy/characters.json';
import da from 'cldr-misc-full/main/da/characters.json';
import de from 'cldr-misc-full/main/de/characters.json';
import el from 'cldr-misc-full/main/el/characters.json';
import en from 'cldr-misc-full/main/en/characters.json';
import es from 'cldr-misc-full/main/es/characters.json';
import et from 'cldr-misc-full/main/et/characters.json';
import eu from 'cldr-misc-full/main/eu/characters.json';
import fa from 'cldr-misc-full/main/fa/characters.json';
import fi from 'cldr-misc-full/main/fi/characters.json';
import fil from 'cldr-misc-full/main/fil/characters.json';
import fo from 'cldr-misc-full/main/fo/characters.json';
import fr from 'cldr-misc-full/main/fr/characters.json';
import ga from 'cldr-misc-full/main/ga/characters.json';
import gl from 'cldr-misc-full/main/gl/characters.json';
import gu from 'cldr-misc-full/main/gu/characters.json';
import ha from 'cldr-misc-full/main/ha/characters.json';
import he from 'cldr-misc-full/main/he/characters.json';
import hi from 'cldr-misc-full/main/hi/characters.json';
import hr from 'cldr-misc-full/main/hr/characters.json';
import hu from 'cldr-misc-full/main/hu/characters.json';
import hy from 'cldr-misc-full/main/hy/characters.json';
import id from 'cldr-misc-full/main/id/characters.json';
import ig from 'cldr-misc-full/main/ig/characters.json';
import is_ from 'cldr-misc-full/main/is/characters.json';
import it from 'cldr-misc-full/main/it/characters.json';
import ka from 'cldr-misc-full/main/ka/characters.json';
import kk from 'cldr-misc-full/main/kk/characters.json';
import km from 'cldr-misc-full/main/km/characters.json';
import kn from 'cldr-misc-full/main/kn/characters.json';
import ku from 'cldr-misc-full/main/ku/characters.json';
import ky from 'cldr-misc-full/main/ky/characters.json';
import lb from 'cldr-misc-full/main/lb/characters.json';
import lo from 'cldr-misc-full/main/lo/characters.json';
import lt from 'cldr-misc-full/main/lt/characters.json';
import lv from 'cldr-misc-full/main/lv/characters.json';
import mi from 'cldr-misc-full/main/mi/characters.json';
import mk from 'cldr-misc-full/main/mk/characters.json';
import ml from 'cldr-misc-full/main/ml/characters.json';
import mn from 'cldr-misc-full/main/mn/characters.json';
import mr from 'cldr-misc-full/main/mr/characters.json';
import ms from 'cldr-misc-full/main/ms/characters.json';
import mt from 'cldr-misc-full/main/mt/characters.json';
import my from 'cldr-misc-full/main/my/characters.json';
import nb from 'cldr-misc-full/main/nb/characters.json';
import ne from 'cldr-misc-full/main/ne/characters.json';
import nl from 'cldr-misc-full/main/nl/characters.json';
import nn from 'cldr-misc-full/main/nn/characters.json';
import or from 'cldr-misc-full/main/or/characters.json';
import pa from 'cldr-misc-full/main/pa/characters.json';
import pl from 'cldr-misc-full/main/pl/characters.json';
import ps from 'cldr-misc-full/main/ps/characters.json';
import pt from 'cldr-misc-full/main/pt/characters.json';
import ro from 'cldr-misc-full/main/ro/characters.json';
import ru from 'cldr-misc-full/main/ru/characters.json';
import sd from 'cldr-misc-full/main/sd/characters.json';
import si from 'cldr-misc-full/main/si/characters.json';
import sk from 'cldr-misc-full/main/sk/characters.json';
import sl from 'cldr-misc-full/main/sl/characters.json';
import so from 'cldr-misc-full/main/so/characters.json';
import sq from 'cldr-misc-full/main/sq/characters.json';
import sr from 'cldr-misc-full/main/sr/characters.json';
import srLatn from 'cldr-misc-full/main/sr-Latn/characters.json';
import sv from 'cldr-misc-full/main/sv/characters.json';
import sw from 'cldr-misc-full/main/sw/characters.json';
import ta from 'cldr-misc-full/main/ta/characters.json';
import te from 'cldr-misc-full/main/te/characters.json';
import tg from 'cldr-misc-full/main/tg/characters.json';
import th from 'cldr-misc-full/main/th/characters.json';
import ti from 'cldr-misc-full/main/ti/characters.json';
import tk from 'cldr-misc-full/main/tk/characters.json';
import tr from 'cldr-misc-full/main/tr/characters.json';
import tt from 'cldr-misc-full/main/tt/characters.json';
import ug from 'cldr-misc-full/main/ug/characters.json';
import uk from 'cldr-misc-full/main/uk/characters.json';
import ur from 'cldr-misc-full/main/ur/characters.json';
import uz from 'cldr-misc-full/main/uz/characters.json';
import uzCyrl from 'cldr-misc-full/main/uz-Cyrl/characters.json';
import vi from 'cldr-misc-full/main/vi/characters.json';
import yo from 'cldr-misc-full/main/yo/characters.json';
import zu from 'cldr-misc-full/main/zu/characters.json';
import { isUsualScript } from '../purpose/regions';

/**
 * What a language is written with (Unicode Technical Standard 35, Part 2, "Character Elements"), of the languages in which phones are used
 * by many; those with an input method are in `input-methods.ts`. In tests, in the browser and on the command
 * line it is the data of one release, and not what the engine at hand knows.
 */
export interface Exemplars {
  /** Letters in the order of the alphabet; those that belong to one stand behind it, as "é" behind "e". */
  readonly letters: readonly (readonly [string, ...string[]])[];
  /** All that is written: these, letters of names from elsewhere, marks that join letters, signs between words. */
  readonly all: ReadonlySet<string>;
}

/** The part of CLDR's `characters.json` that is read here. */
interface Characters {
  readonly exemplarCharacters: string;
  readonly auxiliary: string;
  readonly punctuation: string;
  readonly numbers: string;
}

const shipped: readonly { readonly main: Readonly<Record<string, { readonly characters: Characters }>> }[] = [
  af,
  am,
  ar,
  as_,
  az,
  be,
  bg,
  bn,
  bs,
  ca,
  ckb,
  cs,
  cy,
  da,
  de,
  el,
  en,
  es,
  et,
  eu,
  fa,
  fi,
  fil,
  fo,
  fr,
  ga,
  gl,
  gu,
  ha,
  he,
  hi,
  hr,
  hu,
  hy,
  id,
  ig,
  is_,
  it,
  ka,
  kk,
  km,
  kn,
  ku,
  ky,
  lb,
  lo,
  lt,
  lv,
  mi,
  mk,
  ml,
  mn,
  mr,
  ms,
  mt,
  my,
  nb,
  ne,
  nl,
  nn,
  or,
  pa,
  pl,
  ps,
  pt,
  ro,
  ru,
  sd,
  si,
  sk,
  sl,
  so,
  sq,
  sr,
  srLatn,
  sv,
  sw,
  ta,
  te,
  tg,
  th,
  ti,
  tk,
  tr,
  tt,
  ug,
  uk,
  ur,
  uz,
  uzCyrl,
  vi,
  yo,
  zu,
];

const byLocale = new Map(
  shipped.flatMap(({ main }) =>
    Object.entries(main).map(([locale, { characters }]) => [locale, characters] as const),
  ),
);

/**
 * @param language ISO 639
 * @param script ISO 15924: the same language is written in Latin letters in one place and in Cyrillic ones in another
 * @returns null for a language, or a script of it, that does not ship
 */
export function exemplarsOf(language: string, script: string): Exemplars | null {
  const characters = byLocale.get(isUsualScript(language, script) ? language : `${language}-${script}`);
  return characters ? exemplars(characters) : null;
}

function exemplars({ exemplarCharacters, auxiliary, punctuation, numbers }: Characters): Exemplars {
  const letters = groupsOf(exemplarCharacters).flatMap((group) => {
    // Of letters that differ in case, small ones stand for both.
    const [first, ...others] = group.letters.filter((letter) => !/\p{Lu}/u.test(letter));
    return first === undefined ? [] : [[first, ...others] as const];
  });
  const all = [exemplarCharacters, auxiliary, punctuation, numbers].flatMap(groupsOf);
  return { letters, all: new Set(all.flatMap(({ letters, strings }) => [...letters, ...strings])) };
}

/** Characters that stand together, and those of strings such as "ch" or a letter with a mark that joins it. */
interface Group {
  readonly letters: readonly string[];
  readonly strings: readonly string[];
}

/**
 * The characters of a set in the notation of Unicode Technical Standard 35, "Unicode Sets", as CLDR writes exemplars: no ranges, no names
 * of properties; spaces between what does not belong together, strings in braces.
 */
function groupsOf(set: string): Group[] {
  return set
    .replace(/^\[|\]$/g, '')
    .split(' ')
    .map((group) => ({
      letters: [...unescaped(group.replace(/(?<!\\)\{.*?\}/g, ''))],
      strings: [...group.matchAll(/(?<!\\)\{(.*?)\}/g)].flatMap(([, inner = '']) => [...unescaped(inner)]),
    }));
}

/** A backslash stands before what is a sign of the notation, and before the number of what would not be seen. */
function unescaped(group: string): string {
  return group.replace(/\\u([\dA-F]{4})|\\(.)/gi, (_, code: string | undefined, sign: string) =>
    code === undefined ? sign : String.fromCharCode(Number.parseInt(code, 16)),
  );
}
