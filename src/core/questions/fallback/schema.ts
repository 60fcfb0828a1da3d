import { planNames } from '../../fallback/fallback-plan';
import { flag, list, one, pictureIdSchema, shape, text } from '../../observation/schema-parts';

export const fallbackFactsSchema = shape({
  plans: list(
    shape({
      plan: one(planNames),
      native: flag(),
      loaded: flag(),
      typed: list(text()),
      sent: list(text()),
      picture: pictureIdSchema.nullable().defined(),
    }),
  ),
});
