import type { Caret } from '../../questions/typing/facts';
import type { FocusWay, ModifierKey } from '../../script/stroke';
import type { ControlState } from '../../standard/control-state';

/** A key that goes down, with the modifiers that are down already. */
export interface Press {
  readonly key: string;
  readonly modifiers: readonly ModifierKey[];
}

/**
 * A control while strokes reach it. It raises the events of its own defaults; key events themselves, and whether a
 * guard stops them, are the typist's.
 */
export interface TypedControl {
  /** As a script reads it. */
  readonly value: string;
  /** As a person sees it. */
  readonly text: string;
  readonly caret: Caret;
  /** Whether what was entered is no value. */
  readonly badInput: boolean;
  /** A person changed it since the last time a script set it. */
  readonly editedByPerson: boolean;
  /** As it would be sent; what the constraints read. */
  readonly state: ControlState;
  focus(by: FocusWay): void;
  /** The default action of keydown; raises keypress where one follows. */
  keyDown(press: Press): void;
  /** The default action of keyup. */
  keyUp(press: Press): void;
  /** Whether Tab stays inside: it goes from part to part. */
  tab(): boolean;
  /** Change and blur, in the target's order. */
  leave(): void;
}
