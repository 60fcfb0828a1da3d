import type { TargetId } from '../target/target';
import type { InputTraits } from './input-traits';
import {
  type Brings,
  type BringsRule,
  goesByEntry,
  type KeyboardHabits,
  keyboardHabitsOf,
} from './keyboard-habits';
import { type KeyboardSort, keyboardSorts } from './keyboards';
import type { KeysSeen } from './keys-seen';
import type { Known } from './known';
import { type HabitValue, type SingleHabit, withHabit } from './single-habit';

/** What a person saw on a target, where Ukko said otherwise. */
export type Correction = {
  /** One correction for each target and each thing that can be seen there. */
  readonly key: string;
  readonly target: TargetId;
} & (
  | { readonly about: 'what comes up'; readonly rule: BringsRule }
  | { readonly about: 'keys'; readonly keys: KeysSeen }
  /** A single habit, by its id. */
  | { readonly about: 'habit'; readonly habit: string; readonly value: HabitValue; readonly known: Known }
);

/** What a person can say comes up. */
export type Seen = KeyboardSort | 'no keyboard';
export const seenThings: readonly Seen[] = [...keyboardSorts, 'no keyboard'];

/**
 * A correction for fields that are set like this one: by what their native entry is for where the target goes by that, else
 * by kind, inputmode and a pattern of digits.
 *
 * @param on the day on which it was seen, ISO 8601
 */
export function correctionOf(
  target: TargetId,
  habits: KeyboardHabits,
  entry: InputTraits,
  seen: Seen,
  on: string,
): Correction {
  const { kind, inputmode, digitsPattern, native } = entry;
  const brings: Brings = seen === 'no keyboard' ? { up: 'nothing' } : { up: 'keyboard', sort: seen };
  const setting: Omit<BringsRule, 'brings' | 'known'> = goesByEntry(habits)
    ? { entries: [native] }
    : { kinds: [kind], inputmodes: [inputmode], ...(digitsPattern && { digitsPattern }) };
  const rule = { ...setting, brings, known: seenOn(on) };
  return { key: keyOf(target, habits, entry), target, about: 'what comes up', rule };
}

function seenOn(on: string): Known {
  return { source: `a person saw it and said so on ${on}`, sure: 'corrected' };
}

/** Which characters a keyboard has, and which it lacks, where Ukko said otherwise. */
export function keysCorrection(target: TargetId, seen: Omit<KeysSeen, 'known'>, on: string): Correction {
  return { key: keysKey(target, seen), target, about: 'keys', keys: { ...seen, known: seenOn(on) } };
}

export function keysKey(target: TargetId, { sort, language }: Pick<KeysSeen, 'sort' | 'language'>): string {
  return JSON.stringify([target, 'keys', sort, language]);
}

export function habitCorrection(
  target: TargetId,
  { id }: SingleHabit,
  value: HabitValue,
  on: string,
): Correction {
  return { key: habitKey(target, id), target, about: 'habit', habit: id, value, known: seenOn(on) };
}

export function habitKey(target: TargetId, habit: string): string {
  return JSON.stringify([target, 'habit', habit]);
}

/** The key of the correction that a field's setting has, whether there is one or not. */
export function keyOf(target: TargetId, habits: KeyboardHabits, entry: InputTraits): string {
  const { kind, inputmode, digitsPattern, native } = entry;
  return JSON.stringify(goesByEntry(habits) ? [target, native] : [target, kind, inputmode, digitsPattern]);
}

/** The habits of a target’s keyboards as the person saw them; null for a target of whose keyboards the model knows nothing. */
export function correctedHabits(target: TargetId, corrections: readonly Correction[]): KeyboardHabits | null {
  const shipped = keyboardHabitsOf(target);
  return shipped && corrections.filter((one) => one.target === target).reduce(corrected, shipped);
}

function corrected(habits: KeyboardHabits, correction: Correction): KeyboardHabits {
  const { seen } = habits;
  switch (correction.about) {
    case 'what comes up':
      return { ...habits, seen: { ...seen, rules: [...seen.rules, correction.rule] } };
    case 'keys':
      return { ...habits, seen: { ...seen, keys: [...seen.keys, correction.keys] } };
    case 'habit':
      return withHabit(habits, correction.habit, correction.value, correction.known);
  }
}

/** Native fields know no type and no inputmode. */
