import { boolean, mixed, number, object } from 'yup';
import { flag, list, pictureIdSchema, shape, size, text } from '../../observation/schema-parts';

/** WCAG 2.2, "contrast ratio". */
const ratio = () => number().strict().min(1).max(21).nullable().defined();

export const lookFactsSchema = shape({
  typeReflected: text(),
  size: size(),
  value: text(),
  textShown: text().nullable(),
  sent: list(text()).nullable(),
  font: text().nullable(),
  contrast: object({ text: ratio(), placeholder: ratio() })
    .strict()
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  pseudoClasses: list(text(100)).nullable(),
  marks: list(shape({ by: text(500), text: text() })).nullable(),
  drawnBy: mixed<'label'>().oneOf(['label']).optional(),
  focusUnseen: boolean().strict().optional(),
  moves: flag(),
  picture: pictureIdSchema.nullable().defined(),
});
