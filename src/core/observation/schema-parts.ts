import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { mostElements } from '../html/parse-markup';
import { isJsonObject } from '../json-object';
import { colourSchemes, languages } from '../target/variant';
import { byCode, type FieldsOf } from './coded-schema';
import { failureSchema } from './failure-schema';
import { fieldReasons, observerReasons } from './reason';
import type { Unable } from './unable';

/** Pieces of which the schemas of answers are made. Lengths of text are UTF-16 code units. */
export const text = (max = 1_000_000) => string().strict().defined().max(max);
export const nullableText = () => string().strict().defined().nullable().max(1_000_000);
export const whole = () => number().strict().integer().min(0).required();
/** CSS px; engines draw nothing larger. */
export const length = () => number().strict().min(0).max(1_000_000_000).required();
export const flag = () => boolean().strict().required();
export const one = <T extends string>(names: readonly T[]) =>
  mixed<T>()
    .oneOf([...names])
    .required();
export const shape = <T extends Parameters<typeof object>[0]>(fields: T) =>
  object(fields).strict().noUnknown().required();

export const pictureIdSchema = string()
  .strict()
  .matches(/^[0-9a-f]{64}$/, { name: 'SHA-256' });
export const timeSchema = string()
  .strict()
  .required()
  .matches(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/, { name: 'moment' });

export const size = () =>
  object({ width: length(), height: length() }).strict().noUnknown().nullable().default(undefined).defined();
/** As many as markup has elements. */
export const list = (item: Parameters<typeof array>[0]) => array(item).strict().max(mostElements).defined();

/** A code of these, or what a file of before version 4 says. */
export const coded = (value: unknown, codes: readonly string[]) =>
  member(value, 'code') === 'older'
    ? shape({ code: one(['older']), text: text(5000) })
    : shape({ code: one(codes) });
const reason = lazy((value: unknown) => coded(value, [...fieldReasons, ...observerReasons]));

const unableFields: FieldsOf<Unable> = {
  language: { wanted: one(languages), asksFor: list(text(200)) },
  locale: { wanted: one(languages), is: text(200) },
  words: { wanted: one(languages), package: nullableText() },
  'colour scheme': { wanted: one(colourSchemes) },
  zoom: { wanted: length(), is: length() },
  width: { wanted: length(), is: length() },
  older: { text: text(1000) },
};
const unable = lazy((value: unknown) => byCode(value, unableFields));

const provenance = lazy((value: unknown) => {
  switch (member(value, 'mark')) {
    case 'measured':
      return shape({
        mark: one(['measured']),
        engine: text(200),
        version: text(200),
        protocol: text(200),
        // Yup's types know of no list of what is only known when it is read.
        unable: array()
          .of(unable as never)
          .strict()
          .max(100)
          .defined(),
      });
    case 'captured':
      return shape({ mark: one(['captured']), browser: text(500), events: one(['trusted', 'script-made']) });
    default:
      return shape({ mark: one(['modelled']), model: text(200), source: text(2000) });
  }
});

export const outcome = (facts: ReturnType<typeof shape>) =>
  lazy((value: unknown) =>
    member(value, 'status') === 'answered'
      ? shape({ status: one(['answered']), facts })
      : member(value, 'status') === 'inapplicable'
        ? shape({ status: one(['inapplicable']), reason })
        : shape({ status: one(['failed']), failure: failureSchema }),
  );

export const asked = { field: text().min(1), target: text(200).min(1), provenance, at: timeSchema };

export const pixels = () => number().strict().integer().min(1).max(1_000_000).required();

/** One picture from a file or a stream. */
export const pictureSchema = object({
  id: pictureIdSchema.required(),
  width: pixels(),
  height: pixels(),
  data: string()
    .strict()
    .required()
    .matches(/^[A-Za-z0-9+/]+={0,2}$/, { name: 'base64' }),
})
  .strict()
  .noUnknown();

export function member(value: unknown, name: string): unknown {
  return isJsonObject(value) ? value[name] : undefined;
}
