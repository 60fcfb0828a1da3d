import { boolean, mixed, object, string } from 'yup';
import type { FieldId } from '../form/field';
import { limits } from '../form/form-document';
import { type PhoneEngine, phoneEngines } from '../keyboard/keyboard-question';
import { type QuestionReading, readQuestion } from '../read-question';
import { ownPageSchema } from './own-page';
import type { RealQuestion } from './real-sending';

const schema = object({
  page: ownPageSchema.required(),
  markup: string().strict().required().max(limits.markup),
  button: string<FieldId>().strict().required().max(limits.markup),
  filled: boolean().strict().required(),
  engine: mixed<PhoneEngine>()
    .oneOf([...phoneEngines])
    .required(),
})
  .strict()
  .noUnknown()
  .required();

export function readRealQuestion(data: unknown): QuestionReading<RealQuestion> {
  return readQuestion(schema, data, 'Nothing was sent');
}
