/** What stands before decimals in the languages of which one country writes this and another that: all that is used in one of them. */
const ofSeveralCountries: ReadonlyMap<string, readonly [string, ...string[]]> = new Map([
  ['ar', ['٫', '.', ',']],
  ['es', [',', '.']],
]);

/**
 * What stands between the whole part of a number and its decimals (Unicode CLDR, "Number Symbols", as the engine knows them): one sign,
 * or several where it depends on the country and the tag names none.
 *
 * @param tag BCP 47
 */
export function decimalSeparators(tag: string): readonly [string, ...string[]] {
  const signs = known.get(tag) ?? signsOf(tag);
  known.set(tag, signs);
  return signs;
}

/** Every keyboard of every field asks for them. */
const known = new Map<string, readonly [string, ...string[]]>();

function signsOf(tag: string): readonly [string, ...string[]] {
  const { language, region } = new Intl.Locale(tag);
  const several = region === undefined ? ofSeveralCountries.get(language) : undefined;
  const parts = new Intl.NumberFormat(inItsCountry(tag)).formatToParts(1.5);
  return several ?? [parts.find(({ type }) => type === 'decimal')?.value ?? '.'];
}

/** With the country in which the language is most at home; the script stays as it is named, for with the usual one countries are not found. */
function inItsCountry(tag: string): Intl.Locale {
  const { region } = new Intl.Locale(tag).maximize();
  return new Intl.Locale(tag, region === undefined ? {} : { region });
}

/** The digits that the keys of a language bring, 1 to 9 and 0, and behind a bar those of ASCII, which come up when they are held. */
export function digitKeys(tag: string): readonly string[] {
  const own = new Intl.NumberFormat(inItsCountry(tag), { useGrouping: false });
  return [...ascii].map((digit) => {
    const written = own.format(Number(digit));
    return written === digit ? digit : `${written}|${digit}`;
  });
}
const ascii = '1234567890';
