import type { Field } from '../form/field';
import { validTrial } from '../form/trial-value';
import type { Guard } from '../guard/guard';
import type { Sample } from '../replay/sample';
import { habitsOf } from '../target/habits';
import type { TargetId } from '../target/target';
import type { Language } from '../target/variant';
import { comesUp } from './comes-up';
import { type Detour, detoursOf } from './detour';
import { entryOf } from './entry';
import { type BringsRule, keyboardHabitsOf } from './keyboard-habits';
import { decimalSeparator } from './letters';
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
  corrections: readonly BringsRule[] = [],
): KeyboardCheck[] {
  const [keyboards, habits] = [keyboardHabitsOf(target), habitsOf(target)];
  if (!keyboards || !habits) return [];
  const entry = entryOf(field);
  const { keyboard } = comesUp(keyboards, entry, language, corrections);
  const accepted = samples.filter(({ expected }) => expected === 'accepted').map(({ text }) => text);
  const separator = decimalSeparator(language);
  const trap = keyboard && trapOf({ field, guards, samples: accepted, habits, separator }, keyboard);
  const texts = accepted.length > 0 ? accepted.slice(0, mostDetours) : exampleOf(field);
  return [{ target, trap, detours: detoursOf(texts, keyboards, entry, language, corrections) }];
}

function exampleOf(field: Field): string[] {
  const trial = validTrial(field);
  return trial.status === 'value' && trial.value !== '' ? [trial.value] : [];
}
