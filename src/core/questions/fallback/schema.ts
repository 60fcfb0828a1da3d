import { planNames } from '../../fallback/fallback-plan';
import { flag, list, one, pictureOrNull, shape, text } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import type { FallbackFacts } from './facts';

export const fallbackFactsSchema = shape<FallbackFacts>({
  plans: list(
    shape({
      plan: one(planNames),
      native: described('The target knows the kind.', flag()),
      loaded: flag(),
      typed: list(text()),
      sent: list(text()),
      picture: pictureOrNull(),
    }),
  ),
});
