import type { Failure } from '../observation/failure';
import type { Picture } from '../observation/picture';
import type { Observation } from '../questions/observation';
import type { TargetId } from '../target/target';

/**
 * What a sweep says while it runs, one JSON object a line. A picture comes before the observation that names it.
 * `failed` ends a target's part like `finished`, after its missing answers were sent as failed observations.
 */
export type SweepMessage =
  | { readonly type: 'started'; readonly target: TargetId; readonly total: number }
  | { readonly type: 'picture'; readonly picture: Picture }
  | { readonly type: 'observation'; readonly observation: Observation }
  | { readonly type: 'finished'; readonly target: TargetId }
  | { readonly type: 'failed'; readonly target: TargetId; readonly failure: Failure };

export type EmitSweepMessage = (message: SweepMessage) => void;
