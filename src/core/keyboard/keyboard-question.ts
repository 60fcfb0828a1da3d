import type { OwnPage } from '../document/own-page';
import { type Field, type FieldId, takesKeys } from '../html/field';
import type { Failure } from '../observation/failure';
import type { Picture } from '../observation/picture';
import type { KeyboardObservation } from '../questions/keyboard/facts';

/** Engines that can be shown on a phone-sized display. */
export const phoneEngines = ['chromium', 'firefox', 'webkit'] as const;
export type PhoneEngine = (typeof phoneEngines)[number];

/** Which keyboard does a real engine bring up for a field, or for every field that can be tapped? */
export interface KeyboardQuestion {
  readonly markup: string;
  /** Null: all of them. */
  readonly field: FieldId | null;
  readonly engine: PhoneEngine;
  /** The developer's own page, of which the markup is a snapshot. */
  readonly page: OwnPage | null;
}

/** One answer, with the picture that it names. */
export interface KeyboardAnswer {
  readonly observation: KeyboardObservation;
  readonly picture: Picture;
}

/** What is said while keyboards are asked, one JSON object a line. */
export type KeyboardNews =
  | ({ readonly type: 'answer' } & KeyboardAnswer)
  | { readonly type: 'failed'; readonly failure: Failure };

/** Whether a finger can tap a field and type into it: buttons send the form away, a choice of files or colours covers the display. */
export function isTappable({ kind }: Field): boolean {
  return takesKeys(kind) && !['submit', 'reset', 'button', 'image', 'file', 'color'].includes(kind);
}
