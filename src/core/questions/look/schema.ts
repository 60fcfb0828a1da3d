import { boolean, mixed, number, object } from 'yup';
import { flag, list, pictureOrNull, shape, size, text } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import type { LookFacts } from './facts';

/** WCAG 2.2, "contrast ratio". */
const ratio = () => number().strict().min(1).max(21).nullable().defined();

export const lookFactsSchema = shape<LookFacts>({
  typeReflected: text(),
  size: size(),
  value: text(),
  textShown: text().nullable(),
  sent: list(text()).nullable(),
  font: text().nullable(),
  contrast: described(
    'Contrast ratios of WCAG 2.2.',
    object({ text: ratio(), placeholder: ratio() })
      .strict()
      .noUnknown()
      .nullable()
      .default(undefined)
      .defined(),
  ),
  pseudoClasses: list(text(100)).nullable(),
  marks: described(
    'Text that the styles of the form put beside the field.',
    list(shape({ by: text(500), text: text() })).nullable(),
  ),
  drawnBy: described(
    'Styles keep the control out of sight: size and picture are those of its label.',
    mixed<'label'>().oneOf(['label']).optional(),
  ),
  focusUnseen: described(
    'It has the focus, and nothing on it or near it shows that.',
    boolean().strict().optional(),
  ),
  moves: described('It is drawn in motion: the picture is one moment of it.', flag()),
  picture: pictureOrNull(),
});
