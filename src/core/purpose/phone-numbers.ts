import { type CountryCode, getExampleNumber, isSupportedCountry } from 'libphonenumber-js/min';
import examples from 'libphonenumber-js/mobile/examples';
import { one, type Writing } from './purpose';

/** Countries in which nobody writes the zero that the library puts before a mobile number. */
const withoutZero: readonly string[] = ['IN'];

/** How the example number of a country is written there: as the country prints it, in one, and for callers from abroad. */
export function phoneNumbers(region: string): Writing[] {
  const number = isSupportedCountry(region) ? getExampleNumber(region as CountryCode, examples) : undefined;
  if (!number) return [one('+358 40 1230000', 'international')];
  const national = withoutZero.includes(region)
    ? number.nationalNumber.replace(/^(\d{5})/, '$1 ')
    : number.formatNational();
  const inOne = national.replace(/\D/g, '');
  return [
    one(inOne, 'no spaces'),
    ...(national === inOne ? [] : [one(national, 'national')]),
    one(number.number, 'international'),
    one(number.formatInternational(), 'spaces'),
  ];
}
