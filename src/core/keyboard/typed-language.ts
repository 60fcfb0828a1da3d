import type { Field } from '../html/field';
import { decimalSeparators } from '../purpose/numbers-by-language';
import { isUsualScript, type PlaceOfUse, placeOfUse } from '../purpose/regions';
import { type Language, languages, plainVariant } from '../target/variant';
import { letterKeys } from './letters';

/**
 * The language that a page says of a field, where no letters of it are known.
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
 * @returns BCP 47, one in which engines are asked where numbers are written in it as they are in the page's; null for a language of
 *   which no letters are known
 */
export function typedLanguage(field: Field, asked: string): string | null {
  const place = placeOfUse(field.controls[0].language);
  if (place.language === null) return asked;
  const near = askedAbout(place, asked);
  const own = tagOf(place.language, place);
  if (near && (!place.isRegionKnown || decimalSeparators(near)[0] === decimalSeparators(own)[0])) return near;
  return letterKeys(own) ? own : null;
}

/** The language in which engines are asked that is nearest to the page's; undefined where none is the same but for its country. */
function askedAbout(
  { language, region, script, isRegionKnown }: PlaceOfUse,
  asked: string,
): Language | undefined {
  const known = languages.filter((one) => {
    const likely = new Intl.Locale(one).maximize();
    return likely.language === language && likely.script === script;
  });
  const here = known.find((one) => new Intl.Locale(one).region === region);
  // Who asks about British keyboards means those of a page in English of no country, too.
  const wanted = known.find((one) => one === asked);
  return (isRegionKnown ? (here ?? wanted) : (wanted ?? here)) ?? known[0];
}

/** The tag with the script where it is not the usual one, and the country where it is known. */
function tagOf(language: string, { script, region, isRegionKnown }: PlaceOfUse): string {
  return [
    language,
    ...(isUsualScript(language, script) ? [] : [script]),
    ...(isRegionKnown ? [region] : []),
  ].join('-');
}
