/** What a field asks for, of which people write in ways that are known (WCAG 2.2, 1.3.5, "Identify Input Purpose"). */
export const purposes = [
  'email',
  'name',
  'kana name',
  'phone',
  'street',
  'postcode',
  'iban',
  'card',
  'date',
  'time',
  'year',
  'money',
  'web address',
] as const;
export type Purpose = (typeof purposes)[number];

/** What is special about a text; its words are in `words/`. */
export const writingNotes = [
  'plain',
  'dot',
  'plus',
  'apostrophe',
  'typographic apostrophe',
  'hyphen',
  'short',
  'long',
  'long ending',
  'capitals',
  'small letters',
  'letters with marks',
  'marks of their own',
  'script of the language',
  'kanji',
  'katakana',
  'hiragana',
  'half-width kana',
  'digits of the language',
  'full-width digits',
  'spaces',
  'no spaces',
  'dashes',
  'slashes',
  'international',
  'national',
  'groups as printed',
  'other length',
  'one digit',
  'words',
  'leap day',
  'standard order',
  '24 hours',
  'comma',
  'whole',
  'without encryption',
  'query',
  'port',
  'number first',
  'number behind',
  'letter at the number',
  'no number',
  'no such day',
  'no such month',
  'no such time',
  'too short',
  'signs alone',
  'letters alone',
  'no at sign',
  'two at signs',
  'two dots',
  'nothing behind',
  'nothing before',
  'space within',
  'script address',
] as const;
export type WritingNote = (typeof writingNotes)[number];

/** A text that people enter, or that only looks like one. */
export interface Writing {
  readonly text: string;
  readonly note: WritingNote;
  /** Who has such a one cannot write it otherwise. */
  readonly isOnly: boolean;
  /** BCP 47, where it is of a language of the line-up that the page does not state. */
  readonly language?: string;
}

/** What people enter for a purpose and mean, and what means nothing though it looks right. */
export interface Writings {
  readonly entered: readonly Writing[];
  readonly meaningless: readonly Writing[];
}

/** A text that could be written otherwise. */
export const one = (text: string, note: WritingNote): Writing => ({ text, note, isOnly: false });
/** A text that has to be written so. */
export const only = (text: string, note: WritingNote): Writing => ({ text, note, isOnly: true });

/** What is written alike, as in several languages, is named once. */
export function firstOfEachText(writings: readonly Writing[]): Writing[] {
  return writings.filter(({ text }, at) => writings.findIndex((other) => other.text === text) === at);
}
