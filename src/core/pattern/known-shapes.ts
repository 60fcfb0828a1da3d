import { attribute, type Field } from '../html/field';
import { wordsOfName } from '../html/words-of-name';

/** A sort of text that forms ask for again and again, with what people really enter. All of it is invented for Ukko. */
export interface KnownShape {
  readonly id: string;
  readonly name: string;
  /** Words in a label, a name or an autocomplete token that speak of it: English, and the commonest of German, French, Spanish and Finnish. */
  readonly words: RegExp;
  readonly kinds: readonly Field['kind'][];
  /** It is written in one way alone: who has such a one cannot write it otherwise. */
  readonly isFixed: boolean;
  /** What people enter and mean, each with what is special about it: a rule should accept them. */
  readonly entered: readonly (readonly [text: string, about: string])[];
  /** What means nothing, though it looks right: a rule should refuse it. */
  readonly meaningless: readonly (readonly [text: string, about: string])[];
}

/** Words by themselves, whatever letters they are made of. */
function saying(words: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${words})(?![\\p{L}\\p{N}])`, 'iu');
}

/** Things that have names too, which are written otherwise than those of people. */
const nameOfNobody =
  '(?<!(?:user|file|host|domain|login|screen|nick|account|company|boat|ship|island|station|street|city|product|project|event|group|team) ?)';

export const knownShapes: readonly KnownShape[] = [
  {
    id: 'email',
    name: 'an e-mail address',
    words: saying('e-?mail|courriel|correo|sähköposti'),
    kinds: ['email'],
    isFixed: true,
    entered: [
      ['aino@skerry.test', 'a plain one, its ending of four letters'],
      ['aino.laine@skerry.test', 'a dot'],
      ['aino+tide@skerry.test', 'a plus sign'],
      ["s.o'dell@skerry.test", 'an apostrophe'],
      ['a@b.test', 'one letter on each side'],
      ['log-2026_winter@north.skerry.test', 'digits, a hyphen, an underscore, two dots behind the @'],
      ['warden@tide.lighthouse', 'a long ending'],
      ['warden@gulls.photography', 'a newer ending'],
      ['AINO@SKERRY.TEST', 'capital letters'],
      ['warden@xn--smskr-7ratu.example', 'a host with other letters, as it is sent'],
      ['warden@småskär.example', 'a host with other letters, as it is written'],
    ],
    meaningless: [
      ['aino', 'no @'],
      ['aino@', 'nothing behind the @'],
      ['@skerry.test', 'nothing before the @'],
      ['aino@skerry..test', 'two dots in a row in the host'],
      ['aino laine@skerry.test', 'a space'],
      ['aino@@skerry.test', 'two of @'],
    ],
  },
  {
    id: 'name',
    name: 'a person’s name',
    words: saying(
      `${nameOfNobody}name|observer|surname|(?:given|family|additional)-name|vorname|nachname|prénom|nom(?! d)|nombre(?! d)|apellidos?|nimi|etunimi|sukunimi`,
    ),
    kinds: [],
    isFixed: true,
    entered: [
      ['Aino Laine', 'two words'],
      ['Bo', 'two letters'],
      ['O', 'one letter'],
      ['Mairi O’Dunn', 'a typographic apostrophe'],
      ["Mairi O'Dunn", 'an apostrophe'],
      ['Anne-Sofie Käll', 'a hyphen, a letter with dots'],
      ['José Ñáñez Olmo', 'accents'],
      ['Jose\u0301 Olmo', 'an accent of its own'],
      ['Þóra Ægisdóttir', 'Icelandic letters'],
      ['Łucja Żywiec', 'Polish letters'],
      ['Dr. Ulla von der Klippe', 'small words, a dot'],
      ['Марина Островная', 'Cyrillic'],
      ['Νίκη Θαλασσινού', 'Greek'],
      ['潮見 渚', 'Japanese'],
      ['海莉', 'Chinese'],
      ['ليلى البحري', 'Arabic'],
      ['सागर तट', 'Devanagari'],
      ['Ana María de los Mares y Costas del Norte', 'a long one'],
    ],
    meaningless: [
      [' ', 'a space alone'],
      ['-', 'a hyphen alone'],
      ['Aino<b>', 'markup'],
      ['12345', 'digits alone'],
    ],
  },
  {
    id: 'iban',
    name: 'an account number of the international sort',
    words: saying('iban'),
    kinds: [],
    isFixed: false,
    entered: [
      ['DE79 0000 0014 0000 4719 00', 'groups of four, as on paper'],
      ['DE79000000140000471900', 'no spaces'],
      ['de79 0000 0014 0000 4719 00', 'small letters'],
      ['FI55\u00a00001\u00a04000\u00a04719\u00a005', 'no-break spaces, as they are copied'],
      ['NO8500001404719', 'the shortest'],
      ['MT18TIDE00014SKERRY0000004719', 'letters behind the check digits'],
    ],
    meaningless: [
      ['DE79 0000 0014 0000 4719 01', 'check digits that are wrong'],
      ['DE79', 'nothing behind the check digits'],
      ['0000 0014 0000 4719 00', 'no country before it'],
    ],
  },
  {
    id: 'card',
    name: 'a long number copied from a card',
    words: saying(
      'card|cc-number|member(?:ship)? number|account(?! (?:name|type|holder|id))|kartennummer|tarjeta',
    ),
    kinds: [],
    isFixed: false,
    entered: [
      ['4000 0012 3456 7899', 'spaces in fours'],
      ['4000001234567899', 'no spaces'],
      ['4000-0012-3456-7899', 'dashes'],
      ['4000\u00a00012\u00a03456\u00a07899', 'no-break spaces, as they are copied'],
      [' 4000001234567899', 'a space before it, as it is copied'],
      ['3700 001234 56784', 'fifteen digits'],
    ],
    meaningless: [
      ['4000 0012 3456 7890', 'a check digit that is wrong'],
      ['0000 0000 0000 0001', 'a check digit that is wrong'],
      ['4000 0012 3456', 'too few digits'],
    ],
  },
  {
    id: 'phone',
    name: 'a phone number',
    words: saying(
      'phone|mobile|tel|telephone|fax|cell|handy|telefon|telefonnummer|téléphone|teléfono|móvil|puhelin|puhelinnumero',
    ),
    kinds: ['tel'],
    isFixed: false,
    entered: [
      ['+44 1632 960123', 'international, with a plus sign'],
      ['0044 1632 960123', 'international, with zeros'],
      ['01632 960123', 'national'],
      ['(01632) 960 123', 'brackets'],
      ['202-555-0143', 'dashes'],
      ['202.555.0143', 'dots'],
      ['+1 202 555 0143 ext. 7', 'an extension'],
      ['+358401230000', 'no spaces'],
      ['+49 30/23125 000', 'a slash'],
      ['112', 'three digits'],
    ],
    meaningless: [
      ['+', 'a sign alone'],
      ['++44 1632 960123', 'two signs'],
      ['phone', 'letters alone'],
      ['( ) -', 'no digit'],
    ],
  },
  {
    id: 'date',
    name: 'a date',
    words: saying('date|day|birth(?:day)?|bday|datum|geburtsdatum|fecha|päivämäärä'),
    kinds: [],
    isFixed: false,
    entered: [
      ['14.03.2026', 'dots'],
      ['14/03/2026', 'slashes'],
      ['2026-03-14', 'as the standard writes it'],
      ['4.3.2026', 'one digit for day and month'],
      ['14.3.26', 'two digits for the year'],
      ['14 March 2026', 'the month in words'],
      ['29.02.2028', 'a leap day'],
    ],
    meaningless: [
      ['30.02.2026', 'no such day'],
      ['29.02.2026', 'no leap year'],
      ['31.04.2026', 'no such day'],
      ['14.13.2026', 'no such month'],
      ['00.03.2026', 'day zero'],
      ['2026-02-30', 'no such day'],
      ['2026-13-01', 'no such month'],
    ],
  },
  {
    id: 'time',
    name: 'a time of day',
    words: saying('time|hour|high water|low water'),
    kinds: [],
    isFixed: false,
    entered: [
      ['09:41', '24 hours'],
      ['9:41', 'one digit'],
      ['21.41', 'a dot'],
      ['9:41 pm', '12 hours'],
      ['9:41PM', '12 hours, no space'],
      ['00:00', 'midnight'],
      ['23:59:30', 'with seconds'],
    ],
    meaningless: [
      ['24:30', 'past midnight'],
      ['12:60', 'minute sixty'],
      ['13:00 pm', 'thirteen of twelve hours'],
      ['99:99', 'no time at all'],
    ],
  },
  {
    id: 'year',
    name: 'a year',
    words: saying('year'),
    kinds: [],
    isFixed: false,
    entered: [
      ['2026', 'four digits'],
      ['26', 'two digits'],
      ['1999', 'the century before'],
    ],
    meaningless: [
      ['0000', 'no such year'],
      ['9999', 'far away'],
      ['202', 'a digit is missing'],
    ],
  },
  {
    id: 'number',
    name: 'a number',
    words: saying(
      'amount|level|price|height|weight|depth|length|width|quantity|metres|count(?:ed)?|betrag|preis|gewicht|menge|länge|breite',
    ),
    kinds: [],
    isFixed: false,
    entered: [
      ['12', 'whole'],
      ['1.5', 'a dot'],
      ['1,5', 'a comma'],
      ['-0.4', 'a sign'],
      ['\u22120.4', 'a minus sign of typography'],
      ['1 200', 'a space between thousands'],
      ['1\u202f200', 'a narrow space, as it is copied'],
      ['+3', 'a plus sign'],
      ['.5', 'no digit before the dot'],
      ['١٢', 'Arabic digits'],
    ],
    meaningless: [
      ['-', 'a sign alone'],
      ['.', 'a dot alone'],
      ['1.2.3', 'two dots'],
      ['1-2', 'a sign within'],
    ],
  },
  {
    id: 'address',
    name: 'a web address',
    words: saying('url|web ?site|web address|home ?page|island page|link'),
    kinds: ['url'],
    isFixed: true,
    entered: [
      ['https://skerry.example/', 'a plain one'],
      ['http://skerry.example', 'without encryption, no slash'],
      ['https://north.skerry.example/tide?day=14&set=a#high', 'with a question and a place'],
      ['https://skerry.example:8443/', 'a port'],
      ['https://tide.lighthouse', 'a long ending'],
      ['https://sää.example/', 'other letters'],
      ['skerry.example', 'no beginning'],
    ],
    meaningless: [
      ['https://', 'nothing behind it'],
      ['https:// skerry.example', 'a space'],
      ['javascript:0', 'a script'],
    ],
  },
  {
    id: 'street',
    name: 'a street and a number',
    words: saying('street|(?<!mail |web |ip |mac )address|straße|strasse|anschrift|rue|calle|katuosoite'),
    kinds: [],
    isFixed: true,
    entered: [
      ['14 Skerry Lane', 'the number first'],
      ['Fyrgränd 14', 'the number behind'],
      ['14B Skerry Lane', 'a letter at the number'],
      ['14/2 Skerry Lane', 'a slash'],
      ['12-14 Skerry Lane', 'from a number to another'],
      ['Flat 3, 14 Skerry Lane', 'a flat, a comma'],
      ['Keeper’s Cottage', 'a house without a number'],
      ["St. Brannoc's Quay 1", 'a dot, an apostrophe'],
      ['PO Box 7', 'a box'],
      ['Straße des 4. Mai 2', 'other letters, a dot behind a number'],
      ['Маячная ул., д. 3', 'Cyrillic'],
      ['潮見町2丁目3番4号', 'Japanese'],
    ],
    meaningless: [
      [',', 'a comma alone'],
      ['-', 'a hyphen alone'],
      ['14 <b>Skerry</b> Lane', 'markup'],
    ],
  },
  {
    id: 'postcode',
    name: 'a postal code',
    words: saying(
      'post(?:al)?[ -]?code|zip(?: code)?|plz|postleitzahl|code postal|código postal|postinumero',
    ),
    kinds: [],
    isFixed: false,
    entered: [
      ['00120', 'five digits, zeros in front'],
      ['1015', 'four digits'],
      ['111 29', 'a space'],
      ['60-101', 'a hyphen'],
      ['20500-0004', 'five digits and four more'],
      ['SK1 4TR', 'letters and digits'],
      ['sk1 4tr', 'small letters'],
      ['SK14TR', 'no space'],
      ['K1A 0T9', 'letters and digits in turn'],
      ['T12 X4Y8', 'seven characters'],
      ['LV-1050', 'the country before it'],
      [' 00120', 'a space before it, as it is copied'],
    ],
    meaningless: [
      ['0', 'one digit'],
      ['-----', 'hyphens alone'],
      ['00120 00120 00120', 'three of them'],
    ],
  },
];

/** The shape that a field asks for, by its kind, its label, its name and its autocomplete tokens; null where nothing speaks of one. */
export function shapeOf(field: Field): KnownShape | null {
  const byKind = knownShapes.find(({ kinds }) => kinds.includes(field.kind));
  if (byKind) return byKind;
  const autocomplete = attribute(field.controls[0], 'autocomplete') ?? '';
  const said = [autocomplete, field.label, wordsOfName(field.name)];
  for (const text of said) {
    const found = knownShapes.find(({ words }) => words.test(text));
    if (found) return found;
  }
  return null;
}

/** Where a rule and a shape part. */
export interface ShapeCheck {
  /** What people enter and the rule refuses. */
  readonly tooStrict: KnownShape['entered'];
  /** What means nothing and the rule accepts. */
  readonly tooLenient: KnownShape['meaningless'];
}

export function shapeCheck(
  accepts: (text: string) => boolean,
  { entered, meaningless }: KnownShape,
): ShapeCheck {
  return {
    tooStrict: entered.filter(([text]) => !accepts(text)),
    tooLenient: meaningless.filter(([text]) => accepts(text)),
  };
}
