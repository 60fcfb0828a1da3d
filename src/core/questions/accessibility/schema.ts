import { boolean } from 'yup';
import { nullableText, shape, text } from '../../observation/schema-parts';

const told = () => boolean().strict().nullable().defined();

export const accessibilityFactsSchema = shape({
  role: nullableText(),
  name: text(),
  description: nullableText(),
  value: nullableText(),
  required: told(),
  invalid: told(),
});
