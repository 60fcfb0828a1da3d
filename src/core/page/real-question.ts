import { boolean, mixed, object, string, ValidationError } from 'yup';
import type { FieldId } from '../form/field';
import { limits } from '../form/form-document';
import { type PhoneEngine, phoneEngines } from '../keyboard/keyboard-question';
import { ownPageSchema } from './own-page';
import type { RealQuestion } from './real-sending';

const schema = object({
  page: ownPageSchema.required(),
  markup: string().strict().required().max(limits.markup),
  button: string().strict().required().max(300),
  filled: boolean().strict().required(),
  engine: mixed<PhoneEngine>()
    .oneOf([...phoneEngines])
    .required(),
})
  .strict()
  .noUnknown()
  .required();

export function readRealQuestion(
  data: unknown,
):
  | { readonly status: 'read'; readonly question: RealQuestion }
  | { readonly status: 'fault'; readonly text: string } {
  try {
    const { button, ...rest } = schema.validateSync(data, { strict: true });
    return { status: 'read', question: { ...rest, button: button as FieldId } };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `Nothing was sent: ${error.errors[0] ?? 'the question has another shape'}.`,
    };
  }
}
