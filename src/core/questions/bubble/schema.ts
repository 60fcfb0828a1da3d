import { flag, list, one, pictureOrNull, shape, size, text } from '../../observation/schema-parts';
import { sides } from '../../observation/size';
import { described } from '../../reading/schema-union';
import type { BubbleFacts } from './facts';

export const bubbleFactsSchema = shape<BubbleFacts>({
  tried: text(),
  shown: flag(),
  popUp: size(),
  leaves: described('Sides of the page’s window that it reaches past.', list(one(sides))),
  showsTitle: flag().nullable().defined(),
  picture: pictureOrNull(),
});
