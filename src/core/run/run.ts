import type { FormDocument } from '../document/form-document';
import type { Picture } from '../observation/picture';
import type { Observation } from '../questions/observation';
import type { LineUp } from '../target/line-up';

export type RunId = string & { readonly brand: 'RunId' };

/** One sweep with all it brought: the form as it was, the line-up, the answers and their pictures. */
export interface Run {
  readonly id: RunId;
  readonly form: FormDocument;
  readonly lineUp: LineUp;
  /** The version of Ukko that asked; null where its file does not say so. */
  readonly ukko: string | null;
  /** ISO 8601, UTC. */
  readonly startedAt: string;
  /** Null while it runs, and for good when it was cancelled. */
  readonly finishedAt: string | null;
  readonly observations: readonly Observation[];
  readonly pictures: readonly Picture[];
}
