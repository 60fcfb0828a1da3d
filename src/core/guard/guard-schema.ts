import { array, boolean, mixed, number, object, string } from 'yup';
import { described, type Fields, named, taggedUnion } from '../reading/schema-union';
import { characterClasses } from './character-set';
import { checkMethods, type GuardKind, guardStages, lengthUnits, remedies } from './guard';

/** Shapes of guards in a file or a request; `strict`: nothing is turned into something else. */
const text = (max: number) => string().strict().defined().max(max);
const one = <Value extends string>(values: readonly Value[]) => mixed<Value>().oneOf(values).required();
const whole = (max: number) => number().strict().integer().min(0).max(max);
const limit = () => number().strict().nullable().defined();
const classes = Object.keys(characterClasses) as (keyof typeof characterClasses)[];
const set = () =>
  object({ classes: array(one(classes)).strict().max(classes.length).defined(), own: text(10_000) })
    .strict()
    .noUnknown()
    .required();

const guardShapes: Readonly<Record<GuardKind, Fields>> = {
  allow: { set: set() },
  deny: { set: set() },
  length: { most: whole(1_000_000).required(), unit: one(lengthUnits) },
  decimals: { most: whole(20).required(), whole: whole(300) },
  range: { min: limit(), max: limit() },
  pattern: { source: text(10_000), match: one(['whole', 'part']) },
  words: { words: array(text(1000)).strict().max(10_000).defined(), sense: one(['one of', 'none of']) },
  date: { format: text(50) },
  'check digit': { method: one(checkMethods) },
  case: { to: one(['upper', 'lower']) },
  mask: { mask: text(200) },
};

const common: Fields = {
  id: text(200),
  on: boolean().strict().required(),
  stage: one(guardStages),
  remedy: mixed().oneOf(remedies),
  keys: array(text(64)).strict().max(200),
};

export const guardSchema = named(
  'guard',
  taggedUnion('kind', () =>
    Object.fromEntries(Object.entries(guardShapes).map(([kind, own]) => [kind, { ...common, ...own }])),
  ),
);

export const guardsSchema = named(
  'guards',
  described(
    'Restriction rules in the order in which they act; docs/guards.md explains each.',
    array(guardSchema).strict().max(50).defined(),
  ),
);
