import type { Field } from '../form/field';
import type { Guard } from '../guard/guard';
import { habitsOf } from '../target/habits';
import type { Language } from '../target/variant';
import { type Correction, correctedHabits } from './correction';
import { entryOf } from './entry';
import type { KeyboardSort } from './keyboards';
import { decimalSeparator } from './letters';
import { phoneBrowsers } from './phone-browsers';
import { cheapestSetting, type Setting } from './settings';
import { trapOf } from './trap';

/**
 * The cheapest change of the field that brings a wanted keyboard up in every phone browser.
 * @param wanted null: whatever can type every value that the field's rule accepts
 * @returns null where no setting brings it up in all of them
 */
export function cheapestForRule(
  field: Field,
  guards: readonly Guard[],
  wanted: KeyboardSort | null,
  language: Language,
  corrections: readonly Correction[],
): Setting | null {
  const ids = phoneBrowsers.map(({ id }) => id);
  const [habits] = ids.flatMap((id) => habitsOf(id) ?? []);
  if (!habits) return null;
  const separator = decimalSeparator(language);
  return cheapestSetting(
    ids.flatMap((id) => correctedHabits(id, corrections) ?? []),
    entryOf(field),
    language,
    (keyboard) =>
      wanted === null
        ? trapOf({ field, guards, samples: [], habits, separator }, keyboard) === null
        : keyboard.name === wanted,
  );
}
