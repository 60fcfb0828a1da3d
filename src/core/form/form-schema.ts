import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { limits } from './form-document';

/** Shapes of what a person may bring in a file or a request; `strict` everywhere: nothing is turned into something else. */
const text = (max: number) => string().strict().defined().max(max);

export const guardSchema = object({
  kind: mixed<'decimals'>().oneOf(['decimals']).required(),
  stage: mixed<'before insert'>().oneOf(['before insert']).required(),
  id: text(200),
  on: boolean().strict().required(),
  most: number().strict().integer().min(0).max(20).required(),
})
  .strict()
  .noUnknown();

export const guardsSchema = array(guardSchema).strict().max(50).defined();

const typingPlanSchema = object({ script: text(100_000), guards: guardsSchema })
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
})
  .strict()
  .noUnknown()
  .required();
