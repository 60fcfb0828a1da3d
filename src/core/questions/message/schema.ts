import { array } from 'yup';
import { flag, nullableText, one, shape, text } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import { validityFlags } from '../../standard/validity-flags';
import type { MessageFacts } from './facts';

export const messageFactsSchema = shape<MessageFacts>({
  tried: text(),
  willValidate: flag(),
  flags: array(one(validityFlags)).strict().defined(),
  message: nullableText(),
  saysTitle: described('The author’s title is among the words.', flag().nullable().defined()),
});
