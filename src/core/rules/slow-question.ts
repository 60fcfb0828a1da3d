import { mixed, object, string } from 'yup';
import type { Failure } from '../observation/failure';
import type { Growth } from '../pattern/blow-up';
import type { SlowText } from '../pattern/slow-text';
import { type QuestionReading, readQuestion } from '../reading/read-question';
import type { Pattern } from '../regexp/pattern';

/** How long do real engines take over a text that is made to be slow? */
export interface SlowQuestion {
  readonly pattern: Pattern;
  readonly text: SlowText;
}

/** What is said while engines are asked, one JSON object a line. */
export type SlowNews =
  | {
      readonly type: 'answer';
      readonly engine: string;
      readonly version: string;
      readonly growth: Growth;
    }
  /** An engine did not answer; why. */
  | { readonly type: 'failed'; readonly engine: string; readonly failure: Failure };

const piece = () => string().strict().defined().max(2000);
const schema = object({
  pattern: object({
    source: string().strict().defined().max(10_000),
    flags: mixed<'v' | 'u'>().oneOf(['v', 'u']).optional(),
    match: mixed<'whole' | 'part'>().oneOf(['whole', 'part']).required(),
  })
    .strict()
    .noUnknown()
    .required(),
  text: object({ before: piece(), again: piece().min(1), after: piece() })
    .strict()
    .noUnknown()
    .required(),
})
  .strict()
  .noUnknown()
  .required();

export function readSlowQuestion(data: unknown): QuestionReading<SlowQuestion> {
  return readQuestion(schema, data, 'slow text');
}
