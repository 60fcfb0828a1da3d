import type { Failure } from '../observation/failure';
import type { Picture } from '../observation/picture';
import type { Observation } from '../questions/observation';
import type { TargetId } from '../target/target';
import type { EarlierAnswer } from './answer-basis';

/**
 * What a sweep says while it runs, one JSON object a line. A picture comes before the observation that names it.
 * `failed` ends a target's part like `finished`, after its missing answers were sent as failed observations.
 */
export type SweepMessage =
  | { readonly type: 'started'; readonly target: TargetId; readonly total: number }
  | { readonly type: 'picture'; readonly picture: Picture }
  | { readonly type: 'observation'; readonly observation: Observation }
  /** Answers of an earlier sweep that still hold, and on what they rest now. */
  | { readonly type: 'kept'; readonly target: TargetId; readonly answers: readonly EarlierAnswer[] }
  | { readonly type: 'finished'; readonly target: TargetId }
  | { readonly type: 'failed'; readonly target: TargetId; readonly failure: Failure };

export type EmitSweepMessage = (message: SweepMessage) => void;
