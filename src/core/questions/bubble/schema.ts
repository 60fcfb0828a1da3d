import { flag, list, one, pictureIdSchema, shape, size, text } from '../../observation/schema-parts';
import { sides } from '../../observation/size';

export const bubbleFactsSchema = shape({
  tried: text(),
  shown: flag(),
  popUp: size(),
  leaves: list(one(sides)),
  showsTitle: flag().nullable().defined(),
  picture: pictureIdSchema.nullable().defined(),
});
