import { mixed, object, string, ValidationError } from 'yup';
import type { FieldId } from '../form/field';
import { limits } from '../form/form-document';
import { ownPageSchema } from '../page/own-page';
import { type KeyboardQuestion, type PhoneEngine, phoneEngines } from './keyboard-question';

const schema = object({
  markup: string().strict().required().max(limits.markup),
  field: string().strict().min(1).max(300).nullable().defined(),
  engine: mixed<PhoneEngine>()
    .oneOf([...phoneEngines])
    .required(),
  page: ownPageSchema.nullable().defined(),
})
  .strict()
  .noUnknown()
  .required();

export function readKeyboardQuestion(
  data: unknown,
):
  | { readonly status: 'read'; readonly question: KeyboardQuestion }
  | { readonly status: 'fault'; readonly text: string } {
  try {
    const { field, ...rest } = schema.validateSync(data);
    return { status: 'read', question: { ...rest, field: field as FieldId | null } };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `The question cannot be read: ${error.errors[0] ?? 'its shape is another'}.`,
    };
  }
}
