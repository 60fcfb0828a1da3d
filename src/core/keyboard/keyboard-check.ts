import { habitsOf } from '../model/deviations/habits';
import { decimalSeparators } from '../purpose/numbers-by-language';
import type { TargetId } from '../target/target';
import { comesUp, keyboardAs } from './comes-up';
import { correctedHabits } from './correction';
import { type Detour, detoursOf } from './detour';
import { traitsOf } from './input-traits';
import type { Keyboard } from './keyboard';
import type { KeyboardSetup } from './keyboard-setup';
import { type KeyboardSort, keyboardSorts } from './keyboards';
import { linuxKeyboard } from './linux-keyboard';
import { prefilled } from './prefilled';
import { type RuledField, textsToTap } from './ruled-field';
import type { TextWithCaret } from './tapping';
import { type Trap, trapOf } from './trap';

/** What a person cannot see of a keyboard by eye. */
export interface KeyboardCheck {
  readonly target: TargetId;
  /** What stands in the field before anything is typed. */
  readonly standing: TextWithCaret;
  readonly trap: Trap | null;
  readonly detours: readonly Detour[];
}

/** Most samples whose taps are counted. */
const mostDetours = 200;

/** Nothing for a target that brings up no keyboard of which the model knows. */
export function keyboardCheck(ruled: RuledField, target: TargetId, setup: KeyboardSetup): KeyboardCheck[] {
  const habits = correctedHabits(target, setup.corrections);
  if (!habits) return [];
  const { language } = setup;
  const entry = traitsOf(ruled.field);
  const { keyboard } = comesUp(habits, entry, language);
  return [
    {
      target,
      standing: prefilled(ruled.field),
      trap: keyboard && trapOn(keyboard, ruled, target, language),
      detours: detoursOf(textsToTap(ruled, mostDetours), habits, entry, language),
    },
  ];
}

/** What a target's keyboards cannot produce, by their sort: those too that another setting would bring up. */
export type TrapsBySort = Readonly<Record<KeyboardSort, Trap | null>>;

/** Null for a target that brings up no keyboard of which the model knows. */
export function trapsBySort(
  ruled: RuledField,
  target: TargetId,
  { language, corrections }: KeyboardSetup,
): TrapsBySort | null {
  const habits = correctedHabits(target, corrections);
  if (!habits) return null;
  const traps = keyboardSorts.map((sort) => [
    sort,
    trapOn(keyboardAs(habits, sort, language), ruled, target, language),
  ]);
  return Object.fromEntries(traps) as TrapsBySort;
}

/**
 * What the field's rule accepts and this keyboard cannot produce, whichever keyboard it is.
 * @param target whose way of typing it is
 */
export function trapOn(
  keyboard: Keyboard,
  ruled: RuledField,
  target: TargetId,
  language: string,
): Trap | null {
  const habits = habitsOf(target);
  return habits && trapOf({ ruled, habits, separators: decimalSeparators(language) }, keyboard);
}

/** The same on the real keyboard, which is asked in English; null too for a layout of which nobody has looked at the keys. */
export function trapOnLayout(layout: string, ruled: RuledField, target: TargetId): Trap | null {
  const keyboard = linuxKeyboard(layout);
  return keyboard && trapOn(keyboard, ruled, target, 'en-US');
}
