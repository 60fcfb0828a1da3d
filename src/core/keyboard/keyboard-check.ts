import type { Field } from '../form/field';
import { validTrial } from '../form/trial-value';
import type { Guard } from '../guard/guard';
import type { Sample } from '../replay/sample';
import { habitsOf } from '../target/habits';
import type { TargetId } from '../target/target';
import type { Language } from '../target/variant';
import { comesUp } from './comes-up';
import { type Correction, correctedHabits } from './correction';
import { type Detour, detoursOf } from './detour';
import { entryOf } from './entry';
import type { Keyboard } from './keyboard';
import { decimalSeparator } from './letters';
import { linuxKeyboard } from './linux-keyboard';
import { type Trap, trapOf } from './trap';

/** What a person cannot see of a keyboard by eye. */
export interface KeyboardCheck {
  readonly target: TargetId;
  readonly trap: Trap | null;
  readonly detours: readonly Detour[];
}

/** Most samples whose taps are counted. */
const mostDetours = 200;

/** Nothing for a target that brings up no keyboard of which the model knows. */
export function keyboardCheck(
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  target: TargetId,
  language: Language,
  corrections: readonly Correction[] = [],
): KeyboardCheck[] {
  const keyboards = correctedHabits(target, corrections);
  if (!keyboards) return [];
  const entry = entryOf(field);
  const { keyboard } = comesUp(keyboards, entry, language);
  const trap = keyboard && trapOn(keyboard, field, guards, samples, target, language);
  const texts = textsToTap(field, samples, mostDetours);
  return [{ target, trap, detours: detoursOf(texts, keyboards, entry, language) }];
}

/** What cannot be typed on the keyboard that a target brings up; null where all can, or none comes up. */
export function trapOnTarget(
  field: Field,
  guards: readonly Guard[],
  target: TargetId,
  language: Language,
  corrections: readonly Correction[],
): Trap | null {
  const habits = correctedHabits(target, corrections);
  const keyboard = habits && comesUp(habits, entryOf(field), language).keyboard;
  return keyboard && trapOn(keyboard, field, guards, [], target, language);
}

/**
 * What the field's rule accepts and this keyboard cannot produce, whichever keyboard it is.
 * @param target whose way of typing it is
 */
export function trapOn(
  keyboard: Keyboard,
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  target: TargetId,
  language: Language,
): Trap | null {
  const habits = habitsOf(target);
  const separator = decimalSeparator(language);
  return habits && trapOf({ field, guards, samples: acceptedOf(samples), habits, separator }, keyboard);
}

/** The same on the real keyboard, which is asked in English; null too for a layout of which nobody has looked at the keys. */
export function trapOnLayout(
  layout: string,
  field: Field,
  guards: readonly Guard[],
  samples: readonly Sample[],
  target: TargetId,
): Trap | null {
  const keyboard = linuxKeyboard(layout);
  return keyboard && trapOn(keyboard, field, guards, samples, target, 'en-US');
}

function acceptedOf(samples: readonly Sample[]): string[] {
  return samples.filter(({ expected }) => expected === 'accepted').map(({ text }) => text);
}

/** What is typed to count taps: samples that are accepted, the first of them, or else a value that the field accepts. */
export function textsToTap(field: Field, samples: readonly Sample[], most: number): string[] {
  const accepted = acceptedOf(samples);
  if (accepted.length > 0) return accepted.slice(0, most);
  const trial = validTrial(field);
  return trial.status === 'value' && trial.value !== '' ? [trial.value] : [];
}
