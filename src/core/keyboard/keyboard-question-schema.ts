import { mixed, object, string } from 'yup';
import { limits } from '../document/form-document';
import { ownPageSchema } from '../document/own-page';
import type { FieldId } from '../html/field';
import { type QuestionReading, readQuestion } from '../reading/read-question';
import { type KeyboardQuestion, type PhoneEngine, phoneEngines } from './keyboard-question';

const schema = object({
  markup: string().strict().required().max(limits.markup),
  field: string<FieldId>().strict().min(1).max(limits.markup).nullable().defined(),
  engine: mixed<PhoneEngine>()
    .oneOf([...phoneEngines])
    .required(),
  page: ownPageSchema.nullable().defined(),
})
  .strict()
  .noUnknown()
  .required();

export function readKeyboardQuestion(data: unknown): QuestionReading<KeyboardQuestion> {
  return readQuestion(schema, data, 'keyboard');
}
