import { mixed, object, string, ValidationError } from 'yup';
import type { Growth } from './blow-up';
import type { Pattern } from './pattern-table';
import type { SlowText } from './slow-text';

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
  | { readonly type: 'failed'; readonly engine: string; readonly reason: string };

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

export function readSlowQuestion(
  data: unknown,
):
  | { readonly status: 'read'; readonly question: SlowQuestion }
  | { readonly status: 'fault'; readonly text: string } {
  try {
    return { status: 'read', question: schema.validateSync(data) };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `The question cannot be read: ${error.errors[0] ?? 'its shape is another'}.`,
    };
  }
}
