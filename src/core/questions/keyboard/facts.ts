import type { KeyboardAsked } from '../../observation/content-purpose';
import type { EventRecord } from '../../observation/event-record';
import type { Answer } from '../../observation/outcome';
import type { PictureId } from '../../observation/picture';

/** Of what a device's browser asks its keyboard for, and of which one came up, a page is told nothing. */
export const untold = 'untold';

/** What an on-screen keyboard did when a finger tapped a field. */
export interface KeyboardFacts {
  /** The program that was asked, by its name; null where a page is not told, as of a device's own. */
  readonly program: string | null;
  /** What the engine asked for; null when it asked for nothing. */
  readonly asked: KeyboardAsked | null | typeof untold;
  /** The layout that the keyboard chose, by its own name: `number/us`. Null when no keyboard came up. */
  readonly layout: string | null | typeof untold;
  /** Height of what is visible of the page, before and with the keyboard, CSS px. */
  readonly height: { readonly before: number; readonly with: number };
  /** Whether the whole of the focused field is still in sight. */
  readonly fieldInSight: boolean;
  /** What the page saw of the keys that were tapped; null when no keyboard came up, or no key was tapped. */
  readonly tapped: readonly TappedEvent[] | null;
  readonly picture: PictureId | null;
}

export type TappedEvent = Pick<EventRecord, 'type' | 'key' | 'inputType' | 'data' | 'value'> & {
  /** The key on the screen that raised it; not given where one key alone was tapped. */
  readonly by?: string;
};

export type KeyboardObservation = Answer<'keyboard', KeyboardFacts>;
