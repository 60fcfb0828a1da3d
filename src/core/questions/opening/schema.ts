import { list, one, pictureIdSchema, shape, size, text } from '../../observation/schema-parts';
import { sides } from '../../observation/size';

export const openingFactsSchema = shape({
  opened: text(200).nullable(),
  tried: list(text(200)),
  popUp: size(),
  leaves: list(one(sides)),
  picture: pictureIdSchema.nullable().defined(),
});
