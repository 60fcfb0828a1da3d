import type { FieldId } from '../html/field';
import type { TargetId } from '../target/target';
import type { Failure } from './failure';
import type { Provenance } from './provenance';
import type { Reason } from './reason';

export type Outcome<Facts> =
  | { readonly status: 'answered'; readonly facts: Facts }
  /** The question has no answer for this field. */
  | { readonly status: 'inapplicable'; readonly reason: Reason }
  /** It has one, but the observer could not get it. */
  | { readonly status: 'failed'; readonly failure: Failure };

/** Why there are no facts. */
export type Unanswered = Exclude<Outcome<never>, { readonly status: 'answered' }>;

/** One answer about a field, as a target gave it. */
export interface Answer<Q extends string, Facts> {
  readonly field: FieldId;
  readonly target: TargetId;
  readonly provenance: Provenance;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly question: Q;
  readonly outcome: Outcome<Facts>;
  /** Digests of what the answer depends on; not given where nobody can tell. */
  readonly basis?: AnswerBasis;
}

/**
 * Digests of what an answer depends on, the engine and its version among it: of the whole page, and of what is known to reach the field.
 * While either is the same, so is the answer.
 */
export interface AnswerBasis {
  readonly page: string;
  /** Null where the answer depends on all of the page. */
  readonly field: string | null;
}
