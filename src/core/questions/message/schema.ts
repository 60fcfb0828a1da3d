import { array } from 'yup';
import { flag, nullableText, one, shape, text } from '../../observation/schema-parts';
import { validityFlags } from '../../standard/validity-flags';

export const messageFactsSchema = shape({
  tried: text(),
  willValidate: flag(),
  flags: array(one(validityFlags)).strict().defined(),
  message: nullableText(),
  saysTitle: flag().nullable().defined(),
});
