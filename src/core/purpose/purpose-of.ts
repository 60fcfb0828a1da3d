import { grouped } from '../grouped';
import { attribute, type Field, type FieldKind } from '../html/field';
import { wordsOfName } from '../html/words-of-name';
import type { Purpose } from './purpose';
import { phrasesByLanguage } from './purpose-words';
import { placeOfUse } from './regions';

/** What a field is for, and how that is known: the markup says it in so many words, or its label and name speak for it. */
export interface PurposeReading {
  readonly purpose: Purpose;
  readonly isSaid: boolean;
  /** There is no doubt: its autocomplete token says so, or its label and its name both. */
  readonly isSure: boolean;
}

/** HTML Standard, "Input types": these say it themselves. */
const byKind: Partial<Readonly<Record<FieldKind, Purpose>>> = {
  email: 'email',
  tel: 'phone',
  url: 'web address',
};

/** HTML Standard, "Autofill": the field names whose texts are known. Any other field name says that it is for something else. */
const byToken: ReadonlyMap<string, Purpose> = new Map([
  ['email', 'email'],
  ['name', 'name'],
  ['given-name', 'name'],
  ['additional-name', 'name'],
  ['family-name', 'name'],
  ['tel', 'phone'],
  ['tel-national', 'phone'],
  ['street-address', 'street'],
  ['address-line1', 'street'],
  ['postal-code', 'postcode'],
  ['cc-number', 'card'],
  ['bday', 'date'],
  ['bday-year', 'year'],
  ['transaction-amount', 'money'],
  ['url', 'web address'],
]);

/** How much each thing weighs that speaks for a purpose. */
const weights = { wholeLabel: 5, label: 4, name: 4, vagueName: 3, id: 2, placeholder: 2, foreign: -2 };
/** Purposes that names in markup speak of without meaning them: a name, an amount, a time of whatever the label says. */
const vague: readonly Purpose[] = ['name', 'money', 'time'];
/** Below this nothing is said, and neither is it where another purpose is nearer than the margin. */
const least = 4;
const margin = 3;
/** From here on label and name both say it in so many words. */
const sure = 8;

/**
 * What a field is for, where a person may have said so: that counts before what its markup says.
 * @param said not given: as its markup says; none: nothing that is known
 */
export function purposeAsSaid(field: Field, said: Purpose | 'none' | undefined): PurposeReading | null {
  if (said === undefined) return purposeOf(field);
  return said === 'none' ? null : { purpose: said, isSaid: true, isSure: true };
}

/** What a field is for; null where nothing speaks for it clearly. */
export function purposeOf(field: Field): PurposeReading | null {
  const [control] = field.controls;
  if (!['text', 'search', 'email', 'tel', 'url', 'textarea'].includes(field.kind)) return null;
  const token = autofillToken(attribute(control, 'autocomplete') ?? '');
  if (token !== null) {
    const purpose = byToken.get(token);
    return purpose ? { purpose, isSaid: true, isSure: true } : null;
  }
  const kind = byKind[field.kind];
  const spoken = spokenOf(field);
  const isSureOf = (purpose: Purpose) => spoken?.purpose === purpose && spoken.weight >= sure;
  if (kind) return { purpose: kind, isSaid: true, isSure: isSureOf(kind) };
  return spoken && { purpose: spoken.purpose, isSaid: false, isSure: isSureOf(spoken.purpose) };
}

/** Fields are asked about again and again, by rules, findings and trial values. */
const known = new WeakMap<Field, Spoken | null>();

/** What the words of a field speak for, and how much. */
interface Spoken {
  readonly purpose: Purpose;
  readonly weight: number;
}

/** What its label and its names speak for, whatever kind it is of. */
export function spokenPurposeOf(field: Field): Purpose | null {
  return spokenOf(field)?.purpose ?? null;
}

function spokenOf(field: Field): Spoken | null {
  const before = known.get(field);
  if (before !== undefined) return before;
  const found = heaviest(field);
  known.set(field, found);
  return found;
}

function heaviest(field: Field): Spoken | null {
  const [first, second] = [...weighed(field)].sort(([, a], [, b]) => b - a);
  if (!first || first[1] < least || first[1] - (second?.[1] ?? 0) < margin) return null;
  return { purpose: first[0], weight: first[1] };
}

/** The last token is the field name, but for “webauthn”. */
function autofillToken(text: string): string | null {
  const tokens = text
    .toLowerCase()
    .split(/[\t\n\f\r ]+/)
    .filter((token) => token !== '' && token !== 'webauthn');
  const last = tokens.at(-1);
  return last === undefined || last === 'on' || last === 'off' ? null : last;
}

/** Longest text that may be a phrase, UTF-16 code units; what is longer is a text of its own, and would take long to look through. */
const longest = 300;
const short = (text: string | null): string => (text !== null && text.length <= longest ? text : '');

function weighed(field: Field): ReadonlyMap<Purpose, number> {
  const [control] = field.controls;
  const language = tableOf(control.language);
  const placeholder = short(attribute(control, 'placeholder'));
  // A field without a label is called by its name.
  const label = field.label === '' || field.label === field.name ? placeholder : short(field.label);
  const id = short(attribute(control, 'id'));
  const sums = new Map<Purpose, number>();
  const add = (purpose: Purpose, weight: number) => sums.set(purpose, (sums.get(purpose) ?? 0) + weight);
  for (const [purpose, { isWhole, isForeign }] of purposesIn(label, language))
    add(purpose, (isWhole ? weights.wholeLabel : weights.label) + (isForeign ? weights.foreign : 0));
  const nameWeight = (purpose: Purpose) =>
    label !== '' && vague.includes(purpose) ? weights.vagueName : weights.name;
  for (const [purpose, { isForeign }] of purposesIn(wordsOfName(short(field.name)), language))
    add(purpose, nameWeight(purpose) + (isForeign ? weights.foreign : 0));
  if (id !== field.name)
    for (const [purpose, { isForeign }] of purposesIn(wordsOfName(id), language))
      add(purpose, weights.id + (isForeign ? weights.foreign : 0));
  const shown = purposeOfExample(placeholder);
  if (shown) add(shown, weights.placeholder);
  return sums;
}

function purposeOfExample(placeholder: string): Purpose | null {
  if (/\S@\S+\.\S/.test(placeholder)) return 'email';
  if (/https?:\/\//.test(placeholder)) return 'web address';
  return /\+\d[\d ()-]{6,}/.test(placeholder) ? 'phone' : null;
}

/** Languages whose phrases are in the table under another code. */
const spokenAs: ReadonlyMap<string, string> = new Map([
  ['nb', 'no'],
  ['nn', 'no'],
  ['iw', 'he'],
  ['in', 'id'],
]);

/** The code under which the phrases of a language tag are in the table; null for an unknown language. */
function tableOf(tag: string | null): string | null {
  const { language } = placeOfUse(tag);
  return language === null ? null : (spokenAs.get(language) ?? language);
}

/** How a text speaks of a purpose. */
interface Match {
  /** It is the phrase, with no words before it. */
  readonly isWhole: boolean;
  /** The phrase is of another language than that of the page, and not English. */
  readonly isForeign: boolean;
}

function purposesIn(text: string, language: string | null): ReadonlyMap<Purpose, Match> {
  const [all, withoutBrackets] = told(text);
  // What stands in brackets may say what is meant: “name (kana)”.
  const matched = matchesOf(all, language);
  return matched.size > 0 || withoutBrackets === all ? matched : matchesOf(withoutBrackets, language);
}

/** Dates of another sort, whatever else they are called: of a card, without a day. */
const monthAlone = /expir|ablauf|verfall|gültig bis|valid (?:thru|until|to)/u;

function matchesOf(text: string, language: string | null): ReadonlyMap<Purpose, Match> {
  const found = new Map<Purpose, Match>();
  if (text === '') return found;
  for (const phrase of phrasesIn(text)) {
    const isForeign = language !== null && phrase.of !== language && phrase.of !== 'en';
    const isWhole = text === phrase.text;
    if (phrase.purpose === 'date' && monthAlone.test(text)) continue;
    const known = found.get(phrase.purpose);
    const isNearer = known && (known.isForeign !== isForeign ? known.isForeign : !known.isWhole && isWhole);
    if (!known || isNearer) found.set(phrase.purpose, { isWhole, isForeign });
  }
  // The same letters may say something else in another language.
  const own = [...found].filter(([, { isForeign }]) => !isForeign);
  return own.length > 0 ? new Map(own) : found;
}

/** Words that say nothing of what is asked for, in the commonest languages. */
const before =
  /^(?:(?:please|enter|type|your|the|my|what is|what’s|what's|which|bitte|ihre?|deine?|votre|ton|ta|saisissez|entrez|tu|su|ingrese|il|la|le|el|din|ditt|uw|je|jouw|syötä|anna|ange|skriv|podaj|wpisz|введите|ваш|ваша|ваше|أدخل|请输入|請輸入)\s+)+/u;
const after =
  /(?:\s+(?:optional|required|mandatory|pflichtfeld|facultatif|obligatoire|opcional|obligatorio|valinnainen|pakollinen|valfritt|verplicht|optioneel|обязательно|必須|任意|必填|选填|필수|선택))+$/u;

/** A label as it is said: small letters, without marks and without what every field has; with what stands in brackets, and without. */
function told(text: string): readonly [all: string, withoutBrackets: string] {
  const small = text.normalize('NFKC').toLowerCase();
  const tidy = (one: string) =>
    one
      .replace(/[*:?!]/g, ' ')
      .replace(/\.(?=\s|\/|$)/g, '')
      .replace(/\s*\/\s*/g, '/')
      .replace(/[\s\u00a0]+/g, ' ')
      .trim()
      .replace(before, '')
      .replace(after, '')
      .trim();
  return [tidy(small), tidy(small.replace(/[([【].*?[)\]】]/g, ' '))];
}

interface Phrase {
  /** ISO 639 code of its language. */
  readonly of: string;
  readonly purpose: Purpose;
  readonly text: string;
  /** Where “~” stands in the table: other words may be there. */
  readonly others: 'before' | 'behind' | null;
}

/** Languages that write words into one: what comes before may be part of the word. */
const joining = ['de', 'nl', 'sv', 'da', 'no', 'fi', 'hu'];
const isInWord = /[\p{L}\p{N}]$/u;

/** Whether a text is a phrase with other words where they may be. */
function isPartOf(text: string, phrase: Phrase): boolean {
  if (phrase.others === 'behind') return text.length > phrase.text.length && text.startsWith(phrase.text);
  if (phrase.others === null || !text.endsWith(phrase.text)) return false;
  return joining.includes(phrase.of) || !isInWord.test(text.slice(0, -phrase.text.length));
}

interface PhraseTable {
  readonly byText: ReadonlyMap<string, readonly Phrase[]>;
  /** Those that may have other words beside them. */
  readonly open: readonly Phrase[];
}

let made: PhraseTable | null = null;

function phraseTable(): PhraseTable {
  if (made) return made;
  const all = Object.entries(phrasesByLanguage).flatMap(([of, byPurpose]) =>
    Object.entries(byPurpose).flatMap(([purpose, list]) =>
      list.split('|').map((one) => phraseOf(of, purpose as Purpose, one)),
    ),
  );
  made = { byText: grouped(all, ({ text }) => text), open: all.filter(({ others }) => others !== null) };
  return made;
}

function phrasesIn(text: string): readonly Phrase[] {
  const { byText, open } = phraseTable();
  return [...(byText.get(text) ?? []), ...open.filter((one) => isPartOf(text, one))];
}

function phraseOf(of: string, purpose: Purpose, written: string): Phrase {
  const others = written.startsWith('~') ? 'before' : written.endsWith('~') ? 'behind' : null;
  return { of, purpose, text: written.replace(/^~ ?|~$/g, ''), others };
}
