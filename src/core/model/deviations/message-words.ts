import type { ValidityFlag } from '../../standard/validity-flags';
import type { Language } from '../../target/variant';
import { type Slot, type SlotStyle, slotText, weekParts } from './slot-text';

/**
 * A message with named gaps: `Value must be {min} or later.`; of weeks `{min.week}` and `{min.year}`. Where a number of
 * characters changes the words, one for each of the language's plural categories.
 */
export type Words =
  | string
  | { readonly by: string; readonly categories: Readonly<Partial<Record<Intl.LDMLPluralRule, string>>> };

/** The words of one engine in one language, by situation. */
export interface LanguageWords {
  readonly style: SlotStyle;
  readonly words: Readonly<Record<string, Words>>;
}

/** What was measured of one engine. */
export interface EngineWords {
  readonly version: string;
  /** Of several things that are wrong, the first of these is named. */
  readonly order: readonly ValidityFlag[];
  readonly languages: Readonly<Partial<Record<Language, LanguageWords>>>;
}

type Slots = Readonly<Record<string, Slot>>;

/** A message with its gaps filled; null where the words were not measured. */
export function filledWords(
  words: Words | undefined,
  slots: Slots,
  style: SlotStyle,
  language: string,
): string | null {
  const template = typeof words === 'object' ? words.categories[category(slots[words.by], language)] : words;
  if (template === undefined) return null;
  const gaps = gapTexts(slots, style, language);
  return template.replace(/\{([\w.]+)\}/g, (all, name: string) => gaps.get(name) ?? all);
}

function category(slot: Slot | undefined, language: string): Intl.LDMLPluralRule {
  return new Intl.PluralRules(language).select(slot?.is === 'count' ? slot.count : 0);
}

/** What goes into each gap, by its name. */
function gapTexts(slots: Slots, style: SlotStyle, language: string): Map<string, string> {
  const texts = new Map<string, string>();
  for (const [name, slot] of Object.entries(slots)) {
    const parts = style.moments === 'localized' ? weekParts(slot) : null;
    if (!parts) texts.set(name, slotText(slot, style, language));
    else for (const [part, text] of Object.entries(parts)) texts.set(`${name}.${part}`, text);
  }
  return texts;
}

/** A message as an engine gave it, and what it was about. */
export interface WordsSample {
  readonly message: string;
  readonly slots: Slots;
}

/**
 * The words that all of these messages have in common once what they are about is taken out; null when they have none,
 * because the engine writes its numbers and dates in another style. The inverse of `filledWords`.
 */
export function wordsFrom(samples: readonly WordsSample[], style: SlotStyle, language: string): Words | null {
  const gapped = samples.map((sample) => ({ sample, text: withGaps(sample, style, language) }));
  const distinct = new Set(gapped.map(({ text }) => text));
  if (distinct.size === 1) return gapped[0]?.text ?? null;
  const counts = Object.entries(samples[0]?.slots ?? {}).flatMap(([name, { is }]) =>
    is === 'count' ? [name] : [],
  );
  for (const by of counts) {
    const categories: Partial<Record<Intl.LDMLPluralRule, string>> = {};
    const agree = gapped.every(({ sample, text }) => {
      const one = category(sample.slots[by], language);
      categories[one] ??= text;
      return categories[one] === text;
    });
    if (agree) return { by, categories };
  }
  return null;
}

/**
 * Longer texts are taken out first: a shorter one may be part of them. Where two gaps have the same text, the first place
 * is the first one's.
 */
function withGaps({ message, slots }: WordsSample, style: SlotStyle, language: string): string {
  const namesOf = new Map<string, string[]>();
  for (const [name, text] of gapTexts(slots, style, language))
    namesOf.set(text, [...(namesOf.get(text) ?? []), name]);
  const longestFirst = [...namesOf].sort(([a], [b]) => b.length - a.length);
  return longestFirst.reduce((text, [gap, names]) => {
    const left = [...names];
    return text.replaceAll(gap, () => `{${left.length > 1 ? left.shift() : left[0]}}`);
  }, message);
}
