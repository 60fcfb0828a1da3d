import { array } from 'yup';
import { mostElements } from '../../html/parse-markup';
import { list, one, pictureOrNull, shape, size, text } from '../../observation/schema-parts';
import { sides } from '../../observation/size';
import { described } from '../../reading/schema-union';
import type { OpeningFacts } from './facts';

export const openingFactsSchema = shape<OpeningFacts>({
  opened: described('What a person did when something opened; null when nothing did.', text(200).nullable()),
  tried: list(text(200)),
  popUp: size(),
  leaves: described('Sides of the page’s window that it reaches past.', list(one(sides))),
  picture: pictureOrNull(),
  fieldsInside: described(
    'Names of fields in it, which are not asked; missing: there are none.',
    array(text(200)).strict().max(mostElements).optional(),
  ),
});
