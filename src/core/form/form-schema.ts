import { lazy, object, string } from 'yup';
import { guardsSchema } from '../guard/guard-schema';
import { ownPageSchema } from '../page/own-page';
import { limits } from './form-document';

/** Shapes of what a person may bring in a file or a request; `strict` everywhere: nothing is turned into something else. */
const text = (max: number) => string().strict().defined().max(max);

const typingPlanSchema = object({
  script: text(limits.script),
  guards: guardsSchema,
  samples: string().strict().max(limits.samples),
})
  .strict()
  .noUnknown();

/** An object used as a map: every value has the same shape. */
export function mapOf<Value extends object>(schema: Value) {
  return lazy((value: unknown) => {
    const keys = typeof value === 'object' && value !== null ? Object.keys(value) : [];
    return object(Object.fromEntries(keys.map((key) => [key, schema])) as Record<string, never>)
      .strict()
      .required();
  });
}

export const formSchema = object({
  id: text(200),
  name: text(300),
  markup: text(limits.markup),
  typing: mapOf(typingPlanSchema),
  page: ownPageSchema.optional().default(undefined),
})
  .strict()
  .noUnknown()
  .required();
