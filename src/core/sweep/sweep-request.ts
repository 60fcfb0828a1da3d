import { array, mixed, object, string, ValidationError } from 'yup';
import { limits } from '../document/form-document';
import { mapOf } from '../document/form-schema';
import { ownPageSchema } from '../document/own-page';
import { guardsSchema } from '../guard/guard-schema';
import { type Asking, receivedAsking, type SentAsking } from '../questions/asking';
import { type PageQuestion, pageQuestions } from '../questions/observation';
import { scriptSchema } from '../script/script-schema';
import { maxTargets } from '../target/line-up';
import type { EngineTarget } from '../target/target';
import { engineTargetSchema } from '../target/target-schema';

/** What a window asks of the server: engines on this machine, about one form. */
export interface SweepRequest extends SentAsking {
  readonly targets: readonly EngineTarget[];
}

export type SweepRequestReading =
  | { readonly status: 'read'; readonly asking: Asking; readonly targets: readonly EngineTarget[] }
  | { readonly status: 'fault'; readonly text: string };

const tooLong = `The markup is longer than ${limits.markup.toLocaleString('en-US')} characters. Paste the form alone, without the rest of its page.`;
const empty = 'The form has no markup. Write or paste some HTML first.';

const schema = object({
  markup: string().strict().required(empty).max(limits.markup, tooLong),
  questions: array(
    mixed<PageQuestion>()
      .oneOf([...pageQuestions])
      .required(),
  )
    .strict()
    .min(1)
    .max(pageQuestions.length)
    .required(),
  scripts: mapOf(object({ script: scriptSchema, guards: guardsSchema }).strict().noUnknown()),
  fields: array(string().strict().required().max(limits.markup))
    .strict()
    .max(limits.fields)
    .nullable()
    .defined(),
  targets: array(engineTargetSchema).strict().min(1).max(maxTargets).required(),
  page: ownPageSchema.nullable().default(null),
})
  .strict()
  .noUnknown();

/** Reads a sweep request. A fault says in one sentence what is wrong and what to do. */
export function readSweepRequest(value: unknown): SweepRequestReading {
  let request: SweepRequest;
  try {
    request = schema.validateSync(value, { strict: true, abortEarly: true }) as unknown as SweepRequest;
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `The sweep cannot be read: ${error.message.slice(0, 300)}. Reload Ukko and sweep again.`,
    };
  }
  const ids = request.targets.map(({ id }) => id);
  if (new Set(ids).size !== ids.length)
    return { status: 'fault', text: 'Two targets have the same id. Take one of them out of the line-up.' };
  const asking = receivedAsking(request);
  const fault = askingFault(asking);
  return fault ? { status: 'fault', text: fault } : { status: 'read', asking, targets: request.targets };
}

/** Why a form cannot be swept, in one sentence; null when it can. */
export function askingFault(asking: Asking): string | null {
  if (asking.markup.length > limits.markup) return tooLong;
  if (asking.fields.length === 0)
    return 'The form has no fields yet. Add an input, a select or a textarea to the markup.';
  if (asking.fields.length > limits.fields)
    return `The form has ${asking.fields.length} fields, more than the ${limits.fields} that one sweep takes. Leave some out.`;
  return null;
}
