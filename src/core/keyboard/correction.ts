import type { TargetId } from '../target/target';
import type { Entry } from './entry';
import type { Brings, BringsRule, KeyboardHabits } from './keyboard-habits';
import { type KeyboardSort, keyboardSorts } from './keyboards';

/** What a person saw come up on a target, where Ukko said otherwise. */
export interface Correction {
  /** One correction for each target and each setting that a keyboard chooses by. */
  readonly key: string;
  readonly target: TargetId;
  readonly rule: BringsRule;
}

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
  entry: Entry,
  seen: Seen,
  on: string,
): Correction {
  const { kind, inputmode, digitsPattern, native } = entry;
  const brings: Brings = seen === 'no keyboard' ? { up: 'nothing' } : { up: 'keyboard', sort: seen };
  const known = { source: `a person saw it and said so on ${on}`, sure: 'corrected' } as const;
  const setting: Omit<BringsRule, 'brings' | 'known'> = goesByEntry(habits)
    ? { entries: [native] }
    : { kinds: [kind], inputmodes: [inputmode], ...(digitsPattern && { digitsPattern }) };
  return { key: keyOf(target, habits, entry), target, rule: { ...setting, brings, known } };
}

/** The key of the correction that a field's setting has, whether there is one or not. */
export function keyOf(target: TargetId, habits: KeyboardHabits, entry: Entry): string {
  const { kind, inputmode, digitsPattern, native } = entry;
  return JSON.stringify(goesByEntry(habits) ? [target, native] : [target, kind, inputmode, digitsPattern]);
}

export function correctionsFor(all: readonly Correction[], target: TargetId): BringsRule[] {
  return all.flatMap((one) => (one.target === target ? [one.rule] : []));
}

/** Native fields know no type and no inputmode. */
function goesByEntry({ rules }: KeyboardHabits): boolean {
  return rules.some(({ entries }) => entries);
}
