import type { FieldId } from '../form/field';
import type { Guard } from '../guard/guard';
import type { Script } from '../script/stroke';
import type { ValidityFlag } from '../standard/constraint-validation';
import type { TargetId } from '../target/target';
import type { EventRecord } from './event-record';
import type { PictureId } from './picture';
import type { Provenance } from './provenance';

/** The questions that every observer answers; one file each in the model, the engines and the probe. */
export const questions = ['look', 'message', 'typing'] as const;
export type Question = (typeof questions)[number];

export const controlStates = ['closed', 'focused', 'filled', 'invalid'] as const;
/** *invalid* is after an attempt to send. */
export type ControlState = (typeof controlStates)[number];

/** CSS px. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

/** What a kind of field is made of, as far as it is known. */
export const controlParts = [
  'text box',
  'picker button',
  'spin button',
  'slider',
  'swatch',
  'list button',
  'clear button',
  'check mark',
  'radio mark',
  'button',
  'bar',
  'text area',
  'text',
] as const;
export type ControlPart = (typeof controlParts)[number];

export interface LookFacts {
  /** What the element's `type` reflects; an input of a kind that the target lacks says `text`. */
  readonly typeReflected: string;
  /** Null where nobody measured it, and for fields that are not drawn. */
  readonly size: Size | null;
  /** What would be sent now; empty for a checkbox or radio group with nothing checked. */
  readonly value: string;
  /** Null where nobody detected them. */
  readonly parts: readonly ControlPart[] | null;
  readonly picture: PictureId | null;
}

export interface MessageFacts {
  /** What was set before the attempt to send. */
  readonly tried: string;
  readonly willValidate: boolean;
  readonly flags: readonly ValidityFlag[];
  /** The target's own words; null where nobody knows them. */
  readonly message: string | null;
}

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
  readonly events: readonly EventRecord[];
}

export interface TypingFacts {
  readonly script: Script;
  readonly guards: readonly Guard[];
  /** Text and caret are followed from the events, because this kind does not tell them to a script. */
  readonly followed: boolean;
  /** One for each stroke. */
  readonly steps: readonly TypingStep[];
}

export type Outcome<Facts> =
  | { readonly status: 'answered'; readonly facts: Facts }
  /** The question has no answer for this field. */
  | { readonly status: 'inapplicable'; readonly reason: string }
  /** It has one, but the observer could not get it. */
  | { readonly status: 'failed'; readonly reason: string };

interface Asked {
  readonly field: FieldId;
  readonly target: TargetId;
  readonly provenance: Provenance;
  /** ISO 8601, UTC. */
  readonly at: string;
}

export interface LookObservation extends Asked {
  readonly question: 'look';
  readonly state: ControlState;
  readonly outcome: Outcome<LookFacts>;
}
export interface MessageObservation extends Asked {
  readonly question: 'message';
  readonly outcome: Outcome<MessageFacts>;
}
export interface TypingObservation extends Asked {
  readonly question: 'typing';
  readonly outcome: Outcome<TypingFacts>;
}

/** One answer: field × target × question, with its facts and its provenance. */
export type Observation = LookObservation | MessageObservation | TypingObservation;

export type ObservationKey = string & { readonly brand: 'ObservationKey' };

/** The key by which a later answer to the same question replaces an earlier one within a run. */
export function observationKey(o: Observation): ObservationKey {
  const state = o.question === 'look' ? `/${o.state}` : '';
  return `${o.target}|${o.provenance.mark}|${o.question}${state}|${o.field}` as ObservationKey;
}
