import { controlParts } from '../../html/control-part';
import { list, one, shape, size, text } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import { type PartsFacts, showings } from './facts';

export const partsFactsSchema = shape<PartsFacts>({
  parts: list(
    shape({ part: one(controlParts), how: described('What was done, and what came of it.', text(1000)) }),
  ),
  lookedFor: described('What is not among these may be there unseen.', list(one(controlParts))),
  shows: described('How the control shows its value.', one(showings).nullable().defined()),
  order: list(text(100)).nullable(),
  clock: one(['12 hours', '24 hours']).nullable().defined(),
  sizeWithoutLimits: size(),
});
