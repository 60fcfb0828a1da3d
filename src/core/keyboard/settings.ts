import { type Field, typedKinds } from '../html/field';
import { type ComesUp, comesUp } from './comes-up';
import {
  type InputMode,
  type InputPurpose,
  type InputTraits,
  inputModes,
  inputPurposes,
} from './input-traits';
import type { Keyboard } from './keyboard';
import type { KeyboardHabits } from './keyboard-habits';

/** What a field may be set to for another keyboard. */
export interface Setting {
  readonly kind: Field['kind'];
  readonly inputmode: InputMode | null;
}

/** What each setting brings up on a target: kinds down, input modes across, none of them first. */
export function settingsTable(
  habits: KeyboardHabits,
  entry: InputTraits,
  language: string,
): { readonly kind: Field['kind']; readonly cells: readonly ComesUp[] }[] {
  return typedKinds.map((kind) => ({
    kind,
    cells: [null, ...inputModes].map((inputmode) => comesUp(habits, { ...entry, kind, inputmode }, language)),
  }));
}

/** What each sort of entry that a native field can be made for brings up. */
export function entriesTable(
  habits: KeyboardHabits,
  entry: InputTraits,
  language: string,
): { readonly native: InputPurpose; readonly up: ComesUp }[] {
  return inputPurposes.map((native) => ({ native, up: comesUp(habits, { ...entry, native }, language) }));
}

/** What changing to a setting costs: another kind changes what is checked and sent, an input mode the keyboard alone. */
export function costOf(setting: Setting, now: Setting): number {
  const kind = setting.kind === now.kind ? 0 : 10;
  const mode = setting.inputmode === now.inputmode ? 0 : setting.inputmode === null ? 1 : 2;
  return kind + mode;
}

/**
 * The cheapest setting under which a wanted keyboard comes up on every target; of equally cheap ones the first.
 * @returns null where there is none
 */
export function cheapestSetting(
  targets: readonly KeyboardHabits[],
  entry: InputTraits,
  language: string,
  isWanted: (keyboard: Keyboard) => boolean,
): Setting | null {
  const now: Setting = { kind: entry.kind, inputmode: entry.inputmode };
  const kinds = [...new Set([entry.kind, ...typedKinds])].filter(
    (kind) => kind !== 'textarea' || kind === now.kind,
  );
  const all = kinds.flatMap((kind) =>
    [null, ...inputModes].map((inputmode): Setting => ({ kind, inputmode })),
  );
  const cheapFirst = all
    .map((setting) => ({ setting, cost: costOf(setting, now) }))
    .sort((a, b) => a.cost - b.cost);
  const found = cheapFirst.find(({ setting }) =>
    targets.every((habits) => {
      const { keyboard } = comesUp(habits, { ...entry, ...setting }, language);
      return keyboard !== null && isWanted(keyboard);
    }),
  );
  return found?.setting ?? null;
}
