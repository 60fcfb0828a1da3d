import type { ValidityFlag } from '../standard/validity-flags';

/** A question about what keys do to the element with the id `t`. */
export interface TypingQuestion {
  readonly html: string;
  readonly focus: 'script' | 'click' | 'tab';
  /** Each pressed and released: a character, a named key, `Space`; `Shift+X` with modifiers; `down:a` and `up:a` apart. */
  readonly keys: readonly string[];
}

/** Type, key, inputType, data, the value then, and the id of the target where that is another one (of submit: the button's). */
export type AskedEvent =
  | readonly [string, string | null, string | null, string | null, string]
  | readonly [string, string | null, string | null, string | null, string, string | null];

export interface TypingAnswer {
  readonly value: string;
  readonly badInput: boolean;
  readonly valid: boolean;
  readonly flags: readonly ValidityFlag[];
  readonly events: readonly AskedEvent[];
  /** Indices of the keys that asked for a character which did not come about. */
  readonly refused: readonly number[];
  /** Of a checkbox: whether it is checked; of a radio button: the id of the one that is, or null. */
  readonly checked?: boolean | string | null;
}
