import type { PlanName } from '../../fallback/fallback-plan';
import type { Answer } from '../../observation/outcome';
import type { PictureId } from '../../observation/picture';

/** A plan, tried in a target. */
export interface PlanOutcome {
  readonly plan: PlanName;
  /** The target knows the kind of the field, so that no fallback is needed there. */
  readonly native: boolean;
  /** The plan put something of its own in place of the control or over it. */
  readonly loaded: boolean;
  /** What was typed, or chosen by typing; empty where the value was set, because the target has a picker of its own. */
  readonly typed: readonly string[];
  /** Entries of the entry list afterwards. */
  readonly sent: readonly string[];
  /** With what was typed in it. */
  readonly picture: PictureId | null;
}

export interface FallbackFacts {
  readonly plans: readonly PlanOutcome[];
}

export type FallbackObservation = Answer<'fallback', FallbackFacts>;
