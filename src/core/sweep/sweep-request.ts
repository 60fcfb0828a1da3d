import { array, mixed, object, string } from 'yup';
import { limits } from '../document/form-document';
import { mapOf } from '../document/form-schema';
import { ownPageSchema } from '../document/own-page';
import { guardsSchema } from '../guard/guard-schema';
import { type Asking, receivedAsking, type SentAsking } from '../questions/asking';
import { type PageQuestion, pageQuestions } from '../questions/observation';
import { fitted, type Misfit } from '../reading/misfit';
import type { AskingFault, SweepFault } from '../reading/request-fault';
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
  | { readonly status: 'fault'; readonly fault: SweepFault };

const tooLong: AskingFault = { code: 'markup too long', most: limits.markup };

const schema = object({
  markup: string().strict().required().max(limits.markup),
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

/** Reads a sweep request. */
export function readSweepRequest(value: unknown): SweepRequestReading {
  const fitting = fitted(schema, value);
  if (fitting.status === 'misfit') return { status: 'fault', fault: faultOf(fitting.misfit) };
  const request = fitting.value as unknown as SweepRequest;
  const ids = request.targets.map(({ id }) => id);
  if (new Set(ids).size !== ids.length) return { status: 'fault', fault: { code: 'two targets' } };
  const asking = receivedAsking(request);
  const fault = askingFault(asking);
  return fault ? { status: 'fault', fault } : { status: 'read', asking, targets: request.targets };
}

function faultOf(misfit: Misfit): SweepFault {
  if (misfit.path === 'markup' && misfit.code === 'missing') return { code: 'no markup' };
  if (misfit.path === 'markup' && misfit.code === 'too much') return tooLong;
  return { code: 'misfit', misfit };
}

/** Why a form cannot be swept; null when it can. */
export function askingFault({ markup, fields }: Asking): AskingFault | null {
  if (markup.length > limits.markup) return tooLong;
  if (fields.length === 0) return { code: 'no fields' };
  if (fields.length > limits.fields)
    return { code: 'too many fields', fields: fields.length, most: limits.fields };
  return null;
}
