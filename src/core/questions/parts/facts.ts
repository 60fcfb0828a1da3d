import type { ControlPart } from '../../html/control-part';
import type { Answer } from '../../observation/outcome';
import type { Size } from '../../observation/size';

/** What a control shows of its value: text one can read, a picture alone (a slider, a swatch, a check), or nothing. */
export const showings = ['text', 'picture', 'nothing'] as const;
export type Showing = (typeof showings)[number];

export interface DetectedPart {
  readonly part: ControlPart;
  /** What made the observer say so: what was done, and what came of it. */
  readonly how: string;
}

export interface PartsFacts {
  readonly parts: readonly DetectedPart[];
  /** The parts that were looked for; what is not among them may be there unseen. */
  readonly lookedFor: readonly ControlPart[];
  /** Null where it cannot be told. */
  readonly shows: Showing | null;
  /** Parts of a date or time from left to right, as drawn; null for other kinds and where nobody looked. */
  readonly order: readonly string[] | null;
  /** Whether an hour past noon is drawn as on a clock of 12 hours; null for kinds without hours. */
  readonly clock: '12 hours' | '24 hours' | null;
  /** Size with `min`, `max`, `step`, `maxlength` and `minlength` taken away; null where there are none. */
  readonly sizeWithoutLimits: Size | null;
}

export type PartsObservation = Answer<'parts', PartsFacts>;
