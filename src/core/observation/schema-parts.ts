import { array, boolean, mixed, number, object, string } from 'yup';
import { mostElements } from '../html/parse-markup';
import { isJsonObject } from '../json-object';
import { byCode, type FieldsOf } from '../reading/coded-schema';
import {
  described,
  eitherOf,
  type Fields,
  named,
  type SchemaField,
  taggedUnion,
} from '../reading/schema-union';
import { colourSchemes, languages } from '../target/variant';
import { failureSchema } from './failure-schema';
import type { ProvenanceMark } from './provenance';
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
/** All members of a record and no others; given its type, one that is left out does not compile. */
export const shape = <Of extends object = Readonly<Record<string, unknown>>>(
  fields: {
    readonly [Member in keyof Of]-?: SchemaField;
  },
) => object(fields).strict().noUnknown().required();

export const pictureIdSchema = named(
  'pictureId',
  described(
    'SHA-256 of the PNG.',
    string()
      .strict()
      .matches(/^[0-9a-f]{64}$/, { name: 'SHA-256' })
      .required(),
  ),
);
export const pictureOrNull = () => pictureIdSchema.nullable().defined();
export const timeSchema = named(
  'time',
  string()
    .strict()
    .required()
    .matches(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/, { name: 'moment' }),
);

export const size = () =>
  described(
    'CSS px.',
    object({ width: length(), height: length() })
      .strict()
      .noUnknown()
      .nullable()
      .default(undefined)
      .defined(),
  );
/** As many as markup has elements. */
export const list = (item: Parameters<typeof array>[0]) => array(item).strict().max(mostElements).defined();

/** What a file of before version 4 says. */
export const olderText = described(
  'A file of before version 4 said it in words that are not known.',
  shape({ code: one(['older']), text: text(5000) }),
);
/** A code of these, or what a file of before version 4 says. */
export const coded = (codes: readonly string[]) =>
  eitherOf((value) => member(value, 'code') === 'older', olderText, shape({ code: one(codes) }));
const reason = named(
  'reason',
  described('Why a question has no answer for a field.', coded([...fieldReasons, ...observerReasons])),
);

const unableFields: FieldsOf<Unable> = {
  language: { wanted: one(languages), asksFor: list(text(200)) },
  locale: { wanted: one(languages), is: text(200) },
  words: { wanted: one(languages), package: nullableText() },
  'colour scheme': { wanted: one(colourSchemes) },
  zoom: { wanted: length(), is: length() },
  width: { wanted: length(), is: length() },
  older: { text: text(1000) },
};
const unable = byCode(() => unableFields);

const marks: Readonly<Record<ProvenanceMark, Fields>> = {
  measured: {
    engine: text(200),
    version: text(200),
    protocol: text(200),
    unable: described(
      'What was asked of the engine’s setup and could not be done.',
      array(unable).strict().max(100).defined(),
    ),
  },
  captured: { browser: text(500), events: one(['trusted', 'script-made']) },
  modelled: { model: text(200), source: text(2000) },
};
const provenance = named(
  'provenance',
  described(
    'measured: a real engine did it, asked over an automation protocol. captured: a person or a real device did it, or this browser with events made by a script. modelled: computed from Ukko’s own model.',
    taggedUnion('mark', () => marks),
  ),
);

const noAnswer = named(
  'noAnswer',
  described(
    'inapplicable: the question has no answer for this field. failed: it has one, but it could not be had.',
    taggedUnion('status', () => ({ inapplicable: { reason }, failed: { failure: failureSchema } })),
  ),
);

export const outcome = (facts: SchemaField) =>
  eitherOf(
    (value) => member(value, 'status') === 'answered',
    shape({ status: one(['answered']), facts }),
    noAnswer,
  );

/** Digests as `digestOf` makes them. */
const digest = () =>
  string()
    .strict()
    .matches(/^[0-9a-f]{20}$/, { name: 'digest' });
export const basisSchema = object({ page: digest().required(), field: digest().nullable().defined() })
  .strict()
  .noUnknown();

export const asked = {
  field: text().min(1),
  target: text(200).min(1),
  provenance,
  at: timeSchema,
  basis: described(
    'Digests of what the answer depends on: of the whole page, and of what reaches the field, null where all of the page does. Not given where nobody can tell.',
    basisSchema.optional(),
  ),
};

export const pixels = () => number().strict().integer().min(1).max(1_000_000).required();

/** One picture from a file or a stream. */
export const pictureSchema = object({
  id: pictureIdSchema,
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
