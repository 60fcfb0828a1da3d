import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { keyboardSorts } from './keyboards';
import { knownSchema } from './known-schema';

const text = (most: number) => string().strict().required().max(most);
const words = array(text(100)).strict().max(200);

const brings = lazy((value: unknown) => {
  const up = typeof value === 'object' && value !== null && 'up' in value ? value.up : null;
  const shape = {
    keyboard: {
      up: text(20),
      sort: mixed()
        .oneOf([...keyboardSorts])
        .required(),
    },
    picker: { up: text(20), what: text(200) },
    nothing: { up: text(20) },
  };
  return object(
    up === 'keyboard'
      ? shape.keyboard
      : up === 'picker'
        ? shape.picker
        : { up: mixed().oneOf(['nothing']).required() },
  )
    .strict()
    .noUnknown();
});

const rule = object({
  kinds: words.optional(),
  inputmodes: array(string().strict().nullable().defined().max(20)).strict().max(20).optional(),
  digitsPattern: boolean().strict().optional(),
  readonly: boolean().strict().optional(),
  entries: words.optional(),
  brings,
  known: knownSchema.required(),
})
  .strict()
  .noUnknown();

const keys = object({
  sort: mixed()
    .oneOf([...keyboardSorts])
    .required(),
  // BCP 47.
  language: string()
    .strict()
    .required()
    .max(35)
    .matches(/^[A-Za-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/),
  has: words.required(),
  lacks: words.required(),
  known: knownSchema.required(),
})
  .strict()
  .noUnknown();

const habitValue = lazy((value: unknown) =>
  typeof value === 'boolean'
    ? boolean().strict().required()
    : typeof value === 'number'
      ? number().strict().required()
      : string().strict().defined().max(100),
);

const common = { key: text(1000), target: text(200) };

/** What a person said of a keyboard, as it comes out of a file. */
export const correctionSchema = lazy((value: unknown) => {
  const about = typeof value === 'object' && value !== null && 'about' in value ? value.about : null;
  const shape =
    about === 'what comes up'
      ? { ...common, about: text(40), rule: rule.required() }
      : about === 'keys'
        ? { ...common, about: text(40), keys: keys.required() }
        : {
            ...common,
            about: mixed().oneOf(['habit']).required(),
            habit: text(100),
            value: habitValue,
            known: knownSchema.required(),
          };
  return object(shape).strict().noUnknown();
});
