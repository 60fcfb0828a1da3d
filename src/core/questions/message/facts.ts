import type { Answer } from '../../observation/outcome';
import type { ValidityFlag } from '../../standard/validity-flags';

export interface MessageFacts {
  /** What was set before the attempt to send. */
  readonly tried: string;
  readonly willValidate: boolean;
  readonly flags: readonly ValidityFlag[];
  /** The target's own words; null where nobody knows them. */
  readonly message: string | null;
  /** Whether the author's `title` is among the words; null where there is none. */
  readonly saysTitle: boolean | null;
}

export type MessageObservation = Answer<'message', MessageFacts>;
