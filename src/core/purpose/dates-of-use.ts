import { firstOfEachText, one, type Writings } from './purpose';
import type { PlaceOfUse } from './regions';

/** Of a day and a month that cannot be taken for one another. */
const day = new Date(Date.UTC(2026, 2, 14));
const afternoon = new Date(Date.UTC(2026, 2, 14, 21, 41));

function formatOf(
  { language, region }: PlaceOfUse,
  options: Intl.DateTimeFormatOptions,
): Intl.DateTimeFormat {
  // A page that says no language is not an American one: what most places write stands for it.
  const tag = language === null ? 'en-GB' : `${language}-${region}`;
  return new Intl.DateTimeFormat(tag, {
    ...options,
    timeZone: 'UTC',
    calendar: 'gregory',
    numberingSystem: 'latn',
  });
}

/** Without the marks of direction that some languages are formatted with. */
const plain = (text: string) => text.replace(/[\u200e\u200f\u061c]/g, '').replace(/[\u202f\u00a0]/g, ' ');

/** How a date is written where the person is (Unicode CLDR, as the engine knows it), in the Gregorian calendar. */
export function dates(place: PlaceOfUse): Writings {
  const numeric = formatOf(place, { year: 'numeric', month: '2-digit', day: '2-digit' });
  const numbers = (year: string, month: string, date: string) =>
    plain(
      numeric
        .formatToParts(day)
        .map(({ type, value }) =>
          type === 'year' ? year : type === 'month' ? month : type === 'day' ? date : value,
        )
        .join(''),
    );
  const words = plain(formatOf(place, { year: 'numeric', month: 'long', day: 'numeric' }).format(day));
  const entered = [
    one(numbers('2026', '03', '14'), 'plain'),
    one(numbers('2026', '3', '4'), 'one digit'),
    one('2026-03-14', 'standard order'),
    one(words, 'words'),
    one(numbers('2028', '02', '29'), 'leap day'),
  ];
  const meaningless = [
    one(numbers('2026', '02', '30'), 'no such day'),
    one(numbers('2026', '04', '31'), 'no such day'),
    one(numbers('2026', '13', '14'), 'no such month'),
    one(numbers('2026', '03', '00'), 'no such day'),
    one('2026-02-30', 'no such day'),
    one('2026-13-01', 'no such month'),
  ];
  return { entered: firstOfEachText(entered), meaningless: firstOfEachText(meaningless) };
}

/** How a time of day is written where the person is. */
export function times(place: PlaceOfUse): Writings {
  const short = plain(formatOf(place, { hour: 'numeric', minute: '2-digit' }).format(afternoon));
  const entered = [
    one(short, 'plain'),
    one('21:41', '24 hours'),
    one('9:41', 'one digit'),
    one('00:00', 'plain'),
  ];
  const meaningless = [
    one('24:30', 'no such time'),
    one('12:60', 'no such time'),
    one('99:99', 'no such time'),
  ];
  return { entered: firstOfEachText(entered), meaningless };
}
