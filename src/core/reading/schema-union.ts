import { type ISchema, type Lazy, lazy, mixed, object, type Schema } from 'yup';
import { isJsonObject } from '../json-object';

/** What a record may hold, by name, as the schema library takes it. */
export type Fields = NonNullable<Parameters<typeof object>[0]>;
export type SchemaField = Fields[string];

/** What a schema that chooses among others keeps of them, for whoever writes it down as JSON Schema. */
export interface Union {
  /** Made when first asked for, so that a shape can hold itself. */
  readonly branches: () => readonly ISchema<unknown>[];
}

/**
 * One of several shapes.
 * @param choose the name of the shape by which a value is checked; one that is no branch is checked by `otherwise`
 */
export function unionOf<Name extends string>(
  branches: () => Readonly<Record<Name, ISchema<unknown>>>,
  choose: (value: unknown) => string,
  otherwise: () => ISchema<unknown>,
) {
  const made = once(branches);
  const rest = once(otherwise);
  const union: Union = { branches: () => Object.values(made()) };
  return lazy((value: unknown) => {
    const name = choose(value);
    // The library resolves a choice among choices like any other schema; its types do not say so.
    return (Object.hasOwn(made(), name) ? made()[name as Name] : rest()) as Schema;
  }).meta({ union });
}

/** One of two shapes. */
export function eitherOf(
  isFirst: (value: unknown) => boolean,
  first: ISchema<unknown>,
  second: ISchema<unknown>,
) {
  return unionOf(
    () => ({ first, second }),
    (value) => (isFirst(value) ? 'first' : 'second'),
    () => second,
  );
}

/** A record whose member `tag` says which other members it has. Nothing in it is turned into something else. */
export function taggedUnion(tag: string, tables: () => Readonly<Record<string, Fields>>) {
  const tags = once(() => Object.keys(tables()));
  const record = (names: readonly string[], fields: Fields = {}) =>
    object({ [tag]: mixed().oneOf(names).required(), ...fields })
      .strict()
      .noUnknown()
      .required();
  return unionOf(
    () =>
      Object.fromEntries(Object.entries(tables()).map(([name, fields]) => [name, record([name], fields)])),
    (value) => (isJsonObject(value) ? String(value[tag]) : ''),
    () => record(tags()),
  );
}

/** The same under the name by which a published schema refers to it, wherever it stands. */
export function named<S extends ISchema<unknown>>(name: string, schema: S): S {
  return about(schema, { name });
}

/** The same with what a published schema says of it. */
export function described<S extends ISchema<unknown>>(description: string, schema: S): S {
  return about(schema, { description });
}

/** A copy: the library's own way to note something notes it of all copies of a choice. */
function about<S extends ISchema<unknown>>(schema: S, told: Record<string, unknown>): S {
  const one = schema as unknown as Lazy<unknown>;
  return one.clone({ meta: { ...one.spec.meta, ...told } }) as unknown as S;
}

function once<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}
