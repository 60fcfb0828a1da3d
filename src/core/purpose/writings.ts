import { ibanCountries, ibansOf, ibansOfAllLengths } from './account-numbers';
import { cardNumbers } from './card-numbers';
import { dates, times } from './dates-of-use';
import { kanaNames, personNames } from './person-names';
import { phoneNumbers } from './phone-numbers';
import { postcodes } from './postcodes';
import { one, only, type Purpose, type Writing, type Writings } from './purpose';
import { inOtherDigits, type PlaceOfUse, placeOfUse } from './regions';
import { streets } from './streets';

const emails: Writings = {
  entered: [
    only('aino@skerry.test', 'plain'),
    only('aino.laine@skerry.test', 'dot'),
    only('aino+tide@skerry.test', 'plus'),
    only("s.o'dell@skerry.test", 'apostrophe'),
    only('a@b.test', 'short'),
    only('log-2026_winter@north.skerry.test', 'hyphen'),
    only('warden@gulls.photography', 'long ending'),
    one('AINO@SKERRY.TEST', 'capitals'),
  ],
  meaningless: [
    one('aino', 'no at sign'),
    one('aino@', 'nothing behind'),
    one('@skerry.test', 'nothing before'),
    one('aino@skerry..test', 'two dots'),
    one('aino laine@skerry.test', 'space within'),
    one('aino@@skerry.test', 'two at signs'),
  ],
};

const webAddresses: Writings = {
  entered: [
    only('https://skerry.example/', 'plain'),
    one('http://skerry.example', 'without encryption'),
    only('https://north.skerry.example/tide?day=14&set=a#high', 'query'),
    only('https://skerry.example:8443/', 'port'),
  ],
  meaningless: [
    one('https://', 'nothing behind'),
    one('https:// skerry.example', 'space within'),
    one('javascript:0', 'script address'),
  ],
};

/** What a rule about a phone number keeps out, wherever the person is. */
const noPhones: readonly Writing[] = [
  one('+', 'signs alone'),
  one('( ) -', 'signs alone'),
  one('phone', 'letters alone'),
];

/**
 * What people enter for a purpose where they are, and what only looks like it.
 *
 * @param accepts whether the rule of the field lets a text pass. Of numbers that each country writes otherwise, a rule tells by what it
 * takes for which country it is meant, where the page does not say it.
 */
export function writingsOf(
  purpose: Purpose,
  place: PlaceOfUse,
  accepts: (text: string) => boolean,
): Writings {
  const { entered, meaningless } = written(purpose, place, accepts);
  return { entered: withOtherDigits(purpose, place, entered), meaningless };
}

function written(purpose: Purpose, place: PlaceOfUse, accepts: (text: string) => boolean): Writings {
  switch (purpose) {
    case 'email':
      return emails;
    case 'name':
      return { entered: personNames(place), meaningless: [] };
    case 'kana name':
      return { entered: kanaNames, meaningless: [] };
    case 'street':
      return { entered: streets(place), meaningless: [] };
    case 'phone':
      return { entered: regionsMeant(place, phoneRegions, phoneNumbers, accepts), meaningless: noPhones };
    case 'postcode':
      return {
        entered: regionsMeant(place, [...postcodes.keys()], postcodesOf, accepts),
        meaningless: [one('0', 'too short'), one('-----', 'signs alone')],
      };
    case 'iban':
      return { entered: ibansMeant(place, accepts), meaningless: [one('DE79', 'nothing behind')] };
    case 'card':
      return { entered: cardNumbers, meaningless: [] };
    case 'date':
      return dates(datePlace(place, accepts));
    case 'time':
      return times(place);
    case 'year':
      return {
        entered: [one('2026', 'plain')],
        meaningless: [one('202', 'too short')],
      };
    case 'money':
      return { entered: amounts(place), meaningless: [one('-', 'signs alone'), one('1.2.3', 'two dots')] };
    case 'web address':
      return webAddresses;
  }
}

const phoneRegions = ['US', 'GB', 'DE', 'FR', 'ES', 'IT', 'FI', 'SE', 'JP', 'SA', 'IN', 'CN', 'BR'];

function postcodesOf(region: string): Writing[] {
  const [printed, ...others] = postcodes.get(region) ?? [];
  if (printed === undefined) return [];
  return [
    one(printed, 'plain'),
    ...others.map((text) => {
      if (text.length > printed.length) return one(text, text.includes(' ') ? 'spaces' : 'long');
      return text.length < printed.length ? one(text, 'no spaces') : one(text, 'small letters');
    }),
  ];
}

/**
 * The writings of the country that the page names; where it names none, of the one that its language is most at home in, and where the
 * rule takes no writing of that, of those that it does take.
 */
function regionsMeant(
  place: PlaceOfUse,
  others: readonly string[],
  of: (region: string) => readonly Writing[],
  accepts: (text: string) => boolean,
): readonly Writing[] {
  const own = of(place.region);
  const takes = (writings: readonly Writing[]) => writings.some(({ text }) => accepts(text));
  if (place.isRegionKnown || takes(own)) return own;
  const meant = others.map(of).find(takes);
  return meant ?? own;
}

/** One place for each order and sign that dates are written in. */
const dateOrders = ['en-GB', 'de', 'en-US', 'nl', 'sv', 'ja'];

function datePlace(place: PlaceOfUse, accepts: (text: string) => boolean): PlaceOfUse {
  const takes = (one: PlaceOfUse) =>
    dates(one).entered.some(({ text, note }) => note === 'plain' && accepts(text));
  if (place.isRegionKnown || takes(place)) return place;
  return dateOrders.map(placeOfUse).find(takes) ?? place;
}

function ibansMeant(place: PlaceOfUse, accepts: (text: string) => boolean): readonly Writing[] {
  const own = ibanCountries.includes(place.region) ? place.region : 'DE';
  const meant = regionsMeant({ ...place, region: own }, ibanCountries, ibansOf, accepts);
  // What takes anything was not made for account numbers at all.
  const isRule = !accepts('?');
  const isForAll =
    isRule && ['FI', 'GB'].every((country) => ibansOf(country).some(({ text }) => accepts(text)));
  if (!isForAll) return meant;
  const others = ibansOfAllLengths().filter(({ text }) => meant.every((one) => one.text !== text));
  return [...meant, ...others];
}

/** An amount of money: whole, and with the sign that the language puts before its fractions. */
function amounts({ language, region }: PlaceOfUse): Writing[] {
  const fraction = new Intl.NumberFormat(language === null ? 'en' : `${language}-${region}`, {
    minimumFractionDigits: 2,
    numberingSystem: 'latn',
  }).format(12.5);
  return [one('12', 'whole'), one(fraction, fraction.includes(',') ? 'comma' : 'dot')];
}

/** Purposes whose texts are mostly digits. */
const inDigits: readonly Purpose[] = ['phone', 'postcode', 'card', 'date', 'time', 'year', 'money'];

/** The first of them in the digits of the person's own keyboard too. */
function withOtherDigits(
  purpose: Purpose,
  place: PlaceOfUse,
  entered: readonly Writing[],
): readonly Writing[] {
  const [first] = entered;
  const text = first && inDigits.includes(purpose) ? inOtherDigits(first.text, place) : null;
  if (text === null) return entered;
  return [...entered, one(text, place.language === 'ja' ? 'full-width digits' : 'digits of the language')];
}
