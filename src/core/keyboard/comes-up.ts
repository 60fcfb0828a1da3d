import type { InputTraits } from './input-traits';
import type { Keyboard } from './keyboard';
import { type Brings, type BringsRule, fits, type KeyboardHabits } from './keyboard-habits';
import { type KeyboardSort, keyboardOf } from './keyboards';
import { withKeysSeen } from './keys-seen';
import { isSurer, type Known } from './known';

/** What comes up for a field on a target. */
export interface ComesUp {
  readonly brings: Brings;
  /** Null where no keyboard comes up. */
  readonly keyboard: Keyboard | null;
  /** The layer that is up at first: capitals where the field begins a sentence, a word, or wants all in capitals. */
  readonly firstLayer: string;
  readonly known: Known;
}

/** What comes up: the surest of the rules that fit, of equally sure ones the first. */
export function comesUp(habits: KeyboardHabits, entry: InputTraits, language: string): ComesUp {
  const { brings, known } = ruleFor(habits, entry);
  if (brings.up !== 'keyboard') return { brings, keyboard: null, firstLayer: '', known };
  const { sort } = brings;
  const keyboard = keyboardAs(habits, sort, language);
  return { brings, keyboard, firstLayer: firstLayerOf(keyboard, habits, entry), known };
}

/** A target's keyboard of a sort, with the keys that somebody saw on it. */
export function keyboardAs(habits: KeyboardHabits, sort: KeyboardSort, language: string): Keyboard {
  return habits.seen.keys
    .filter((seen) => seen.sort === sort && seen.language === language)
    .reduce(withKeysSeen, keyboardOf(habits.family, sort, language));
}

const unknown: BringsRule = {
  brings: { up: 'nothing' },
  known: { source: 'no rule says anything about such a field', sure: 'remembered' },
};

function ruleFor({ rules, seen }: KeyboardHabits, entry: InputTraits): BringsRule {
  const shipped = rules.find((rule) => fits(rule, entry)) ?? unknown;
  const others = seen.rules.filter((rule) => fits(rule, entry));
  return [shipped, ...others].reduce((best, one) => (isSurer(one.known, best.known) ? one : best));
}

function firstLayerOf(keyboard: Keyboard, { text }: KeyboardHabits, { autocapitalize }: InputTraits): string {
  const [first] = keyboard.layers;
  const startsLarge = text.capitalizes && autocapitalize !== 'none' && first.id === 'letters';
  return startsLarge && keyboard.layers.some(({ id }) => id === 'capitals') ? 'capitals' : first.id;
}

/** Whether words are proposed while one types: never for addresses, secrets and numbers. A chosen word comes with a space. */
export function proposesWords({ text }: KeyboardHabits, entry: InputTraits, { keyboard }: ComesUp): boolean {
  const hasWords = ['text', 'search', 'textarea'].includes(entry.kind) && entry.native !== 'person’s name';
  const isStopped =
    (text.autocompleteStopsWords && entry.wordsOff.includes('autocomplete')) ||
    (text.autocorrectStopsWords && entry.wordsOff.includes('autocorrect'));
  return text.predicts && !isStopped && hasWords && keyboard?.layers[0].id === 'letters';
}

/** What comes up, in words. */
export function bringsText(brings: Brings): string {
  switch (brings.up) {
    case 'keyboard':
      return brings.sort;
    case 'picker':
      return brings.what;
    case 'nothing':
      return 'no keyboard';
  }
}
