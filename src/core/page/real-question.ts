import { boolean, mixed, object, string } from 'yup';
import { limits } from '../document/form-document';
import { languageTag } from '../document/form-schema';
import { ownPageSchema } from '../document/own-page';
import type { FieldId } from '../html/field';
import { type PhoneEngine, phoneEngines } from '../keyboard/keyboard-question';
import { type QuestionReading, readQuestion } from '../reading/read-question';
import type { RealQuestion } from './real-sending';

const schema = object({
  page: ownPageSchema.required(),
  markup: string().strict().required().max(limits.markup),
  language: languageTag().nullable().defined(),
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
  return readQuestion(schema, data, 'sending');
}
