import { composeIBAN, countrySpecs, electronicFormatIBAN, friendlyFormatIBAN, isValidIBAN } from 'ibantools';
import { one, only, type Writing } from './purpose';

const mostTries = 5000;

/** A made-up account number of a country that its own check digits, where it has some, let pass; null where none was found. */
function madeUpIban(country: string): string | null {
  const source = countrySpecs[country]?.bban_regexp;
  if (!source) return null;
  const sets = [...source.matchAll(/\[([^\]]+)\](?:\{(\d+)\})?/g)].flatMap(([, set = '', count = '1']) =>
    Array<string>(Number(count)).fill(set),
  );
  for (let tried = 0; tried < mostTries; tried++) {
    // Digits that count up from the end; where letters may stand, no country wants them.
    const digits = String(471_100_013 * (tried + 1)).padStart(sets.length, '0');
    const bban = sets.map((set, at) => (set.includes('0-9') ? digits[at] : 'A')).join('');
    const iban = composeIBAN({ countryCode: country, bban });
    if (iban !== null && isValidIBAN(iban)) return iban;
  }
  return null;
}

const made = new Map<string, string | null>();

function ibanOf(country: string): string | null {
  const known = made.get(country);
  if (known !== undefined) return known;
  const iban = madeUpIban(country);
  made.set(country, iban);
  return iban;
}

/** How an account number of this country is written; none where the country has none of the international sort. */
export function ibansOf(country: string): Writing[] {
  const iban = ibanOf(country);
  if (iban === null) return [];
  const grouped = friendlyFormatIBAN(iban) ?? iban;
  return [one(electronicFormatIBAN(iban) ?? iban, 'no spaces'), one(grouped, 'groups as printed')];
}

/** Countries whose account numbers are of the international sort. */
export const ibanCountries: readonly string[] = Object.keys(countrySpecs).filter(
  (country) => countrySpecs[country]?.IBANRegistry,
);

/** Account numbers of the shortest and the longest shape, which a rule for all countries has to take. */
export function ibansOfAllLengths(): Writing[] {
  const all = ibanCountries.flatMap((country) => ibanOf(country) ?? []);
  const byLength = all.toSorted((a, b) => a.length - b.length);
  return [byLength[0], byLength.at(-1)].flatMap((iban) => (iban ? [only(iban, 'other length')] : []));
}
