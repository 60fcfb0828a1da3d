import { controlParts } from '../../html/control-part';
import { list, one, shape, size, text } from '../../observation/schema-parts';
import { showings } from './facts';

export const partsFactsSchema = shape({
  parts: list(shape({ part: one(controlParts), how: text(1000) })),
  lookedFor: list(one(controlParts)),
  shows: one(showings).nullable().defined(),
  order: list(text(100)).nullable(),
  clock: one(['12 hours', '24 hours']).nullable().defined(),
  sizeWithoutLimits: size(),
});
