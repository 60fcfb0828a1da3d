import { array, boolean, mixed, object, string } from 'yup';
import { attributeRegistry } from '../html/attribute-registry';
import { inputTypes } from '../html/field';
import { isJsonObject } from '../json-object';
import { described, eitherOf, named } from '../reading/schema-union';
import { maxTargets } from './line-up';
import { colourSchemes, languages } from './variant';

const oneOf = <T extends string | number>(values: readonly T[]) =>
  mixed<T>()
    .oneOf([...values])
    .required();

const variantSchema = object({
  language: oneOf(languages),
  scheme: oneOf(colourSchemes),
  zoom: oneOf([1, 2]),
  width: described('Of the viewport before zooming, CSS px.', oneOf([800, 360])),
  scripts: boolean().strict().required(),
})
  .strict()
  .noUnknown()
  .required();

export const withheldSchema = object({
  kinds: array(
    string()
      .strict()
      .required()
      .oneOf([...inputTypes]),
  )
    .strict()
    .max(30)
    .defined(),
  attributes: array(string().strict().required().oneOf(Object.keys(attributeRegistry)))
    .strict()
    .max(60)
    .defined(),
  source: string().strict().defined().max(2000),
})
  .strict()
  .noUnknown();

const labelling = {
  id: string().strict().required().max(200),
  name: string().strict().required().max(200),
  note: string().strict().defined().max(2000),
};

export const engineTargetSchema = object({
  ...labelling,
  ask: mixed<'engine'>().oneOf(['engine']).required(),
  engine: string().strict().required().max(100),
  variant: variantSchema,
  withheld: withheldSchema.nullable().default(undefined).defined(),
})
  .strict()
  .noUnknown();

const otherTargetSchema = object({
  ...labelling,
  ask: mixed<'probe' | 'model' | 'device'>().oneOf(['probe', 'model', 'device']).required(),
})
  .strict()
  .noUnknown();

export const targetSchema = named(
  'target',
  eitherOf((value) => isJsonObject(value) && value.ask === 'engine', engineTargetSchema, otherTargetSchema),
);

export const lineUpSchema = object({
  targets: array(targetSchema).strict().min(1).max(maxTargets).required(),
  reference: described(
    'Id of the target that the others are compared with.',
    string().strict().required().max(200),
  ),
})
  .strict()
  .noUnknown()
  .required();
