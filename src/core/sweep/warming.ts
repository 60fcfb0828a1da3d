import { array, boolean, object } from 'yup';
import { type QuestionReading, readQuestion } from '../reading/read-question';
import { maxTargets } from '../target/line-up';
import type { EngineTarget } from '../target/target';
import { engineTargetSchema } from '../target/target-schema';

/** Engines that are likely to be asked soon: the server has their browsers ready then. */
export interface Warming {
  readonly targets: readonly EngineTarget[];
  /** They are to open a page of the developer's own. */
  readonly isForOwnPage: boolean;
}

const schema = object({
  targets: array(engineTargetSchema).strict().max(maxTargets).required(),
  isForOwnPage: boolean().strict().required(),
})
  .strict()
  .noUnknown()
  .required();

/** Reads what a window says of its line-up when it is opened. */
export function readWarming(data: unknown): QuestionReading<Warming> {
  return readQuestion(schema as unknown as Parameters<typeof readQuestion<Warming>>[0], data, 'warming');
}
