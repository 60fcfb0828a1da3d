import { habitsOf } from '../model/deviations/habits';
import { decimalSeparators } from '../purpose/numbers-by-language';
import { targetId } from '../target/target';
import { traitsOf } from './input-traits';
import type { Keyboard } from './keyboard';
import type { KeyboardSetup } from './keyboard-setup';
import type { KeyboardSort } from './keyboards';
import { phonesWith } from './phone-browsers';
import type { RuledField } from './ruled-field';
import { cheapestSetting, type Setting } from './settings';
import { trapOf } from './trap';

/**
 * The cheapest change of the field that brings a wanted keyboard up in every phone browser.
 * @param wanted null: whatever can type every value that the field's rule accepts
 * @returns null where no setting brings it up in all of them
 */
export function cheapestForRule(
  ruled: RuledField,
  wanted: KeyboardSort | null,
  setup: KeyboardSetup,
): Setting | null {
  const { language } = setup;
  const phones = phonesWith(setup).map(({ habits }) => habits);
  const isWanted = wanted === null ? canTypeAll(ruled, setup) : ({ name }: Keyboard) => name === wanted;
  return cheapestSetting(phones, traitsOf(ruled.field), language, isWanted);
}

/** Whether a keyboard brings every value that the rule accepts; many settings bring up the same one. */
function canTypeAll(ruled: RuledField, { language }: KeyboardSetup): (keyboard: Keyboard) => boolean {
  const known = new Map<string, boolean>();
  const habits = habitsOf(targetId('blink-phone'));
  return (keyboard) => {
    const keys = JSON.stringify(keyboard.layers);
    const can =
      known.get(keys) ??
      (habits !== null &&
        trapOf({ ruled, habits, separators: decimalSeparators(language) }, keyboard) === null);
    known.set(keys, can);
    return can;
  };
}
