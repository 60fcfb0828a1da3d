/** Where the writings of a purpose are looked up: a language tag's own region, or the one in which the language is most at home. */
export interface PlaceOfUse {
  /** ISO 639 code of the language; null where none is known. */
  readonly language: string | null;
  /** ISO 3166-1 alpha-2 code. */
  readonly region: string;
  /** ISO 15924 code of the script. */
  readonly script: string;
  /** Whether the region is known and not only likely: the tag names it, or one country alone writes the language. */
  readonly isRegionKnown: boolean;
}

/** Of a page that says no language nothing is known; what is written in most places stands for it. */
const unknown: PlaceOfUse = { language: null, region: 'US', script: 'Latn', isRegionKnown: false };

/** Languages whose forms are written for people of one country, nearly all of them. */
const ofOneCountry: ReadonlySet<string> = new Set(
  'ja ko th vi pl cs sk hu fi da nb nn no is lt lv et sl hr bg uk he id ka hy az kk mn km lo my ne si'.split(
    ' ',
  ),
);

/**
 * What a language tag says of where the person is (Unicode Technical Standard 35, "Likely Subtags", as the engine knows them).
 *
 * @param tag BCP 47; what is no tag is taken for an unknown language
 */
export function placeOfUse(tag: string | null): PlaceOfUse {
  if (tag === null) return unknown;
  try {
    const said = new Intl.Locale(tag.replaceAll('_', '-'));
    const likely = said.maximize();
    if (!likely.region) return unknown;
    return {
      language: said.language,
      region: likely.region,
      script: likely.script ?? 'Latn',
      isRegionKnown: said.region !== undefined || ofOneCountry.has(said.language),
    };
  } catch {
    return unknown;
  }
}

/** Whether a text is the tag of a language that is written somewhere; no tag at all may stand for one that nobody said. */
export function isLanguageTag(tag: string | null | undefined): boolean {
  return tag === null || tag === undefined || placeOfUse(tag).language !== null;
}

/** Whether a language (ISO 639) is written in a script (ISO 15924) in most places. */
export function isUsualScript(language: string, script: string): boolean {
  return new Intl.Locale(language).maximize().script === script;
}

/** Digits besides ASCII that people of a language type: their own keyboards have them, or their input method gives them. */
const otherDigits: ReadonlyMap<string, string> = new Map([
  ['ar', '٠١٢٣٤٥٦٧٨٩'],
  ['fa', '۰۱۲۳۴۵۶۷۸۹'],
  ['ur', '۰۱۲۳۴۵۶۷۸۹'],
  ['ps', '۰۱۲۳۴۵۶۷۸۹'],
  ['ckb', '٠١٢٣٤٥٦٧٨٩'],
  ['mr', '०१२३४५६७८९'],
  ['ne', '०१२३४५६७८९'],
  ['bn', '০১২৩৪৫৬৭৮৯'],
  ['my', '၀၁၂၃၄၅၆၇၈၉'],
  ['ja', '０１２３４５６７８９'],
]);

/** The same text in the digits that a language has besides ASCII; null where it has none, or where the text has no digit. */
export function inOtherDigits(text: string, { language }: PlaceOfUse): string | null {
  const digits = language === null ? undefined : otherDigits.get(language);
  if (digits === undefined || !/\d/.test(text)) return null;
  return text.replace(/\d/g, (digit) => [...digits][Number(digit)] ?? digit);
}
