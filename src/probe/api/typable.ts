import type { Guard } from '@/core/guard/guard';
import type { Unmade } from '@/core/observation/reason';
import type { Stroke } from '@/core/script/stroke';
import type { TypedSoFar } from './probe-api';

/** A field into which strokes are made, wherever it is: in a page, or painted by an app's toolkit. */
export interface Typable {
  /**
   * Begins with the field as it was at first, and with guards at work on it.
   * @param focusFirst whether it gets the focus, as by a script
   */
  begin(guards: readonly Guard[], focusFirst: boolean): Promise<void>;
  /** @returns why the stroke cannot be made here, so that those after it are not made either; null when it was made */
  stroke(stroke: Stroke): Promise<Unmade | null>;
  /** Events, text, value and caret since it was told last, which guard refused or rewrote, and whether the field has the focus. */
  typed(): Promise<TypedSoFar>;
  end(): Promise<void>;
}
