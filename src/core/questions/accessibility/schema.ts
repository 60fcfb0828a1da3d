import { boolean } from 'yup';
import { nullableText, shape, text } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import type { AccessibilityFacts } from './facts';

const told = () => boolean().strict().nullable().defined();

export const accessibilityFactsSchema = shape<AccessibilityFacts>({
  role: described('By WAI-ARIA’s name where it has one; null where it has none.', nullableText()),
  name: described('Accessible name; empty where there is none.', text()),
  description: nullableText(),
  value: nullableText(),
  required: told(),
  invalid: told(),
});
