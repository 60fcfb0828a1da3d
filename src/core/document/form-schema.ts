import { mixed, object, type Schema, string, ValidationError } from 'yup';
import { guardsSchema } from '../guard/guard-schema';
import { purposes } from '../purpose/purpose';
import { isLanguageTag } from '../purpose/regions';
import { validated } from '../reading/misfit';
import { described } from '../reading/schema-union';
import { limits } from './form-document';
import { ownPageSchema } from './own-page';

/** Shapes of what a person may bring in a file or a request; `strict` everywhere: nothing is turned into something else. */
const text = (max: number) => string().strict().defined().max(max);

const typingPlanSchema = object({
  script: text(limits.script),
  guards: guardsSchema,
  samples: described(
    'Texts with the verdict that is expected of each, as CSV.',
    string().strict().max(limits.samples),
  ),
  purpose: described(
    'What the field is for, where a person said so; none: nothing that is known.',
    mixed()
      .oneOf([...purposes, 'none'])
      .optional(),
  ),
})
  .strict()
  .noUnknown();

/**
 * An object used as a map: every value has the same shape. Its keys are names that people wrote, as `constructor` may be one, and so
 * no members of a schema.
 */
export function mapOf(schema: Schema) {
  return mixed((value): value is Readonly<Record<string, unknown>> => isMap(value))
    .required()
    .test({
      name: 'entries',
      test(value, { path, createError }) {
        for (const [key, entry] of Object.entries(value ?? {})) {
          const fault = validated(schema, entry);
          if (!(fault instanceof ValidationError)) continue;
          const at = `${path}.${key}${fault.path ? `.${fault.path}` : ''}`;
          return createError({ path: at, type: fault.type, params: { ...fault.params, path: at } });
        }
        return true;
      },
    })
    .meta({ entries: schema });
}

function isMap(value: unknown): boolean {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A tag of BCP 47 for a language that is written somewhere. */
export const languageTag = () => string().strict().max(100).test('language', isLanguageTag);

export const formSchema = object({
  id: text(200),
  name: text(300),
  markup: text(limits.markup),
  typing: described(
    'By field: what is typed into it (script text, see script-text.md) and the guards that listen.',
    mapOf(typingPlanSchema),
  ),
  page: described(
    'The page of the developer’s own that the markup was read from, and that engines opened.',
    ownPageSchema.optional().default(undefined),
  ),
  language: described(
    'In which people fill the form in where its page states no language, BCP 47; missing: nobody said it.',
    languageTag().optional(),
  ),
})
  .strict()
  .noUnknown()
  .required();
