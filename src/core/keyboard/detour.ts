import { comesUp } from './comes-up';
import { type InputMode, type InputTraits, inputModes } from './input-traits';
import type { KeyboardHabits } from './keyboard-habits';
import { type Taps, tapsFor } from './taps';

/** What it takes to type a text on a target, and what another input mode would save. */
export interface Detour {
  readonly text: string;
  /** Null where it cannot be typed, or no keyboard comes up. */
  readonly taps: Taps | null;
  /** The input mode with the fewest taps, where it saves some; null where the field is set well. */
  readonly better: { readonly inputmode: InputMode; readonly taps: Taps } | null;
}

/** A saving of so many taps is worth a word. */
export const worthIt = 2;

/** An input mode says what is entered too, so that the keyboard of another sort of entry is none to propose for its keys. */
export function isMeantFor(inputmode: InputMode, text: string): boolean {
  switch (inputmode) {
    case 'email':
      return text.includes('@');
    case 'url':
      return /^(?:[a-z][a-z0-9+.-]*:|www\.)|^[^ ]+\.[^ ]+\//i.test(text);
    case 'search':
    case 'none':
      return false;
    default:
      return true;
  }
}

/** @param texts samples, each typed from the beginning into an empty field */
export function detoursOf(
  texts: readonly string[],
  habits: KeyboardHabits,
  entry: InputTraits,
  language: string,
): Detour[] {
  const tapsUnder = (inputmode: InputMode | null, text: string): Taps | null => {
    const { keyboard, firstLayer } = comesUp(habits, { ...entry, inputmode }, language);
    return keyboard && tapsFor(text, keyboard, firstLayer);
  };
  return texts.map((text) => {
    const taps = tapsUnder(entry.inputmode, text);
    const others = inputModes.flatMap((inputmode) => {
      const isOther = inputmode !== entry.inputmode && isMeantFor(inputmode, text);
      const other = isOther ? tapsUnder(inputmode, text) : null;
      return other ? [{ inputmode, taps: other }] : [];
    });
    const [best] = others.sort((a, b) => a.taps.taps - b.taps.taps);
    const saves = best && (taps === null || taps.taps - best.taps.taps >= worthIt);
    return { text, taps, better: saves ? best : null };
  });
}
