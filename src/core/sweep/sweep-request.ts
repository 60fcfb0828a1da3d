import { array, mixed, object, string } from 'yup';
import { limits } from '../document/form-document';
import { languageTag, mapOf } from '../document/form-schema';
import { type LookState, lookStates } from '../document/look-state';
import { ownPageSchema } from '../document/own-page';
import { guardsSchema } from '../guard/guard-schema';
import { basisSchema } from '../observation/schema-parts';
import { type Asking, receivedAsking, type SentAsking } from '../questions/asking';
import { type PageQuestion, pageQuestions } from '../questions/observation';
import { fitted, type Misfit } from '../reading/misfit';
import type { AskingFault, SweepFault } from '../reading/request-fault';
import { scriptSchema } from '../script/script-schema';
import { maxTargets } from '../target/line-up';
import type { EngineTarget, TargetId } from '../target/target';
import { engineTargetSchema } from '../target/target-schema';
import type { EarlierAnswer, EarlierAnswers } from './answer-basis';

/** What a window asks of the server: engines on this machine, about one form. */
export interface SweepRequest extends SentAsking {
  readonly targets: readonly EngineTarget[];
  /** Answers of an earlier sweep, which are kept as long as they hold. */
  readonly earlier?: readonly { readonly target: TargetId; readonly answers: readonly EarlierAnswer[] }[];
}

export type SweepRequestReading =
  | {
      readonly status: 'read';
      readonly asking: Asking;
      readonly targets: readonly EngineTarget[];
      readonly earlier: EarlierAnswers;
    }
  | { readonly status: 'fault'; readonly fault: SweepFault };

const tooLong: AskingFault = { code: 'markup too long', most: limits.markup };

/** Of one target: every look, and every other question, of as many fields as there may be. */
const mostEarlier = limits.fields * (lookStates.length + pageQuestions.length);

const earlierAnswer = object({
  field: string().strict().required().max(limits.markup),
  question: mixed<PageQuestion>()
    .oneOf([...pageQuestions])
    .required(),
  state: mixed<LookState>()
    .oneOf([...lookStates])
    .nullable()
    .defined(),
  basis: basisSchema.required(),
})
  .strict()
  .noUnknown()
  .required();

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
  language: languageTag().nullable().default(null),
  earlier: array(
    object({
      target: string().strict().required().max(200),
      answers: array(earlierAnswer).strict().max(mostEarlier).required(),
    })
      .strict()
      .noUnknown()
      .required(),
  )
    .strict()
    .max(maxTargets)
    .optional(),
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
  if (fault) return { status: 'fault', fault };
  const earlier = new Map(request.earlier?.map(({ target, answers }) => [target, answers]));
  return { status: 'read', asking, targets: request.targets, earlier };
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
