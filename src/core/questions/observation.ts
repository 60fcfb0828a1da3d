import type { AccessibilityObservation } from './accessibility/facts';
import type { BubbleObservation } from './bubble/facts';
import type { FallbackObservation } from './fallback/facts';
import type { KeyboardObservation } from './keyboard/facts';
import type { LookObservation } from './look/facts';
import type { MessageObservation } from './message/facts';
import type { OpeningObservation } from './opening/facts';
import type { PartsObservation } from './parts/facts';
import type { RestrictionObservation } from './restriction/facts';
import type { SubmissionObservation } from './submission/facts';
import type { TypingObservation } from './typing/facts';

/**
 * The questions that every observer answers about a page; one file each in the model, the engines and the probe. In the order in which
 * they are asked: what one looks at first and what takes little time before pictures of what opens, and parts after what opened, which
 * tells of them.
 */
export const pageQuestions = [
  'look',
  'message',
  'typing',
  'submission',
  'accessibility',
  'opening',
  'bubble',
  'parts',
  'fallback',
] as const;
export type PageQuestion = (typeof pageQuestions)[number];

/**
 * *keyboard* needs a screen with an on-screen keyboard: it is asked of a phone-sized display or a device, apart from sweeps.
 * *restriction* is asked when a form is looked through for findings.
 */
export const questions = [...pageQuestions, 'keyboard', 'restriction'] as const;
export type Question = (typeof questions)[number];

/** One answer: field × target × question, with its facts and its provenance. */
export type Observation =
  | LookObservation
  | MessageObservation
  | AccessibilityObservation
  | OpeningObservation
  | BubbleObservation
  | PartsObservation
  | SubmissionObservation
  | FallbackObservation
  | TypingObservation
  | KeyboardObservation
  | RestrictionObservation;

export type ObservationKey = string & { readonly brand: 'ObservationKey' };

/** The key by which a later answer to the same question replaces an earlier one within a run. */
export function observationKey(o: Observation): ObservationKey {
  const state = o.question === 'look' ? `/${o.state}` : '';
  return `${o.target}|${o.provenance.mark}|${o.question}${state}|${o.field}` as ObservationKey;
}
