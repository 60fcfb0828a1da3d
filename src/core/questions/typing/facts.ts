import type { Guard } from '../../guard/guard';
import type { EventRecord } from '../../observation/event-record';
import type { Answer } from '../../observation/outcome';
import type { Unmade } from '../../observation/reason';
import type { Script } from '../../script/stroke';

export interface Caret {
  readonly start: number;
  readonly end: number;
}

export interface TypingStep {
  /** The text in the field. Kinds that do not tell it are followed from the events; see `followed`. */
  readonly text: string;
  readonly caret: Caret;
  /** The value as a script reads it. */
  readonly value: string;
  /** The stroke asked for a text that did not come about. */
  readonly refused: 'guard' | 'target' | null;
  /** Id of the guard, when one refused. */
  readonly guard: string | null;
  /** Ids of the guards that rewrote the text after the stroke; not given when none did. */
  readonly rewrittenBy?: readonly string[];
  /** Id of a guard that was stopped because it would have rewritten for ever. */
  readonly endless?: string;
  readonly events: readonly EventRecord[];
}

export interface TypingFacts {
  readonly script: Script;
  readonly guards: readonly Guard[];
  /** Text and caret are followed from the events, because this kind does not tell them to a script. */
  readonly followed: boolean;
  /** One for each stroke, as far as the target could be asked. */
  readonly steps: readonly TypingStep[];
  /** Why the strokes behind the last step were not made; not given when all were. */
  readonly stoppedBy?: Unmade;
  /** Of a page with scripts of its own: how often the strokes were made, and how many of these rounds went as the steps say. */
  readonly rounds?: { readonly asked: number; readonly alike: number };
}

export type TypingObservation = Answer<'typing', TypingFacts>;
