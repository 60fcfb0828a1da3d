import { cardNumbers } from './card-numbers';
import { dates, times } from './dates-of-use';
import { decimalSeparators } from './numbers-by-language';
import { personNames } from './person-names';
import { postcodes } from './postcodes';
import type { Purpose } from './purpose';
import type { PlaceOfUse } from './regions';
import { streets } from './streets';

/** Account numbers of some countries, made up, with check digits that are right: that of the person's country first. */
const ibans: ReadonlyMap<string, string> = new Map([
  ['DE', 'DE89000000000471100013'],
  ['FI', 'FI5500014000471905'],
  ['FR', 'FR7600000000000000000456967'],
  ['GB', 'GB82AAAA00000000004711'],
  ['NO', 'NO2000000014133'],
]);

/**
 * Texts to fill a field with, the likeliest first; none where any text will do. Nothing is looked up in a library: every page of the app
 * fills fields.
 */
export function trialTexts(purpose: Purpose, place: PlaceOfUse): readonly string[] {
  switch (purpose) {
    case 'email':
      return ['aino@skerry.test'];
    case 'kana name':
      return ['シオミ ナギサ', 'シオミナギサ'];
    case 'street':
      return streets(place).map(({ text }) => text);
    case 'postcode':
      return ofHereFirst(postcodes, place.region).flat();
    case 'iban':
      return ofHereFirst(ibans, place.region);
    case 'card':
      return cardNumbers.map(({ text }) => text);
    case 'date':
      return dates(place).entered.map(({ text }) => text);
    case 'time':
      return times(place).entered.map(({ text }) => text);
    case 'year':
      return ['2026', '1987'];
    case 'money':
      return amounts(place);
    case 'web address':
      return ['https://skerry.example/'];
    case 'phone':
      return ['+358 40 555 0100', '0405550100', '040-555-0100'];
    case 'name':
      // In Latin letters any text is a name.
      return place.script === 'Latn' ? [] : personNames(place).map(({ text }) => text);
  }
}

/** With the decimal sign of the person's country first; where none is known, with a point. */
function amounts({ language, region }: PlaceOfUse): string[] {
  const own = language === null ? [] : decimalSeparators(`${language}-${region}`);
  return [...new Set([...own, '.', ',']), ''].map((sign) => (sign === '' ? '12' : `12${sign}50`));
}

function ofHereFirst<Value>(all: ReadonlyMap<string, Value>, region: string): Value[] {
  const here = all.get(region);
  const others = [...all.values()].filter((one) => one !== here);
  return here === undefined ? others : [here, ...others];
}
