import type { Field } from '../html/field';
import { placeOfUse } from '../purpose/regions';
import { type Language, languages } from '../target/variant';

/**
 * The language in which a person types into a field: that of the page, and where the page says none, the one that is asked about.
 *
 * @returns null for a language of which no keyboard is known
 */
export function typedLanguage(field: Field, asked: Language): Language | null {
  const said = field.controls[0].language;
  const { language, region } = placeOfUse(said);
  if (language === null) return asked;
  const known = languages.filter((one) => new Intl.Locale(one).language === language);
  const here = known.find((one) => new Intl.Locale(one).region === region);
  // Who asks about British keyboards means those of an English page, too.
  return here ?? known.find((one) => one === asked) ?? known[0] ?? null;
}
