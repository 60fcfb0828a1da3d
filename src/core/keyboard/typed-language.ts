import type { Field } from '../html/field';
import { placeOfUse } from '../purpose/regions';
import { type Language, languages, plainVariant } from '../target/variant';

/**
 * The language that a page says of a field, where no letters of its keyboard are known.
 *
 * @returns ISO 639; null where the page says none, or one that is known
 */
export function unknownLanguage(field: Field): string | null {
  const { language } = placeOfUse(field.controls[0].language);
  return typedLanguage(field, plainVariant.language) === null ? language : null;
}

/**
 * The language in which a person types into a field: that of the page, and where the page says none, the one that is asked about.
 *
 * @returns null for a language of which no keyboard is known
 */
export function typedLanguage(field: Field, asked: Language): Language | null {
  const said = field.controls[0].language;
  const { language, region, isRegionKnown } = placeOfUse(said);
  if (language === null) return asked;
  const known = languages.filter((one) => new Intl.Locale(one).language === language);
  const here = known.find((one) => new Intl.Locale(one).region === region);
  // Who asks about British keyboards means those of a page in English of no country, too.
  const wanted = known.find((one) => one === asked);
  return (isRegionKnown ? (here ?? wanted) : (wanted ?? here)) ?? known[0] ?? null;
}
