import type { ArraySchema, ISchema, Lazy, ObjectSchema, Schema, SchemaDescription } from 'yup';
import type { JsonObject } from '../json-object';
import type { Union } from './schema-union';

/** What Ukko's own schemas note of themselves, besides what the library knows. */
interface About {
  readonly union?: Union;
  /** The shape of every entry, of an object that is used as a map. */
  readonly entries?: Schema;
  readonly name?: string;
  readonly description?: string;
}

/**
 * Writes a schema by which Ukko checks as JSON Schema (draft 2020-12), so that what is published is what is checked. What JSON Schema
 * has no word for is wider in it. Shapes that have a name stand in `$defs`.
 * @throws Error for a schema that does not tell what it holds, which is a mistake in Ukko
 */
export function jsonSchemaOf(schema: ISchema<unknown>, head: JsonObject = {}): JsonObject {
  const definitions = new Map<string, JsonObject>();
  const written = write(schema);
  const $defs = Object.fromEntries([...definitions].sort(([a], [b]) => (a < b ? -1 : 1)));
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    ...head,
    ...written,
    ...(definitions.size > 0 && { $defs }),
  };

  function write(one: ISchema<unknown>): JsonObject {
    const { name, description } = aboutOf(one);
    const told = description === undefined ? {} : { description };
    const isNullable = !isLazy(one) && (one as Schema).spec.nullable;
    if (name === undefined) return { ...orNull(isNullable, shapeOf(one)), ...told };
    if (!definitions.has(name)) {
      // Noted before it is written: it may hold itself.
      definitions.set(name, told);
      definitions.set(name, { ...shapeOf(one), ...told });
    }
    const isTold = definitions.get(name)?.description === description;
    return { ...orNull(isNullable, { $ref: `#/$defs/${name}` }), ...(!isTold && told) };
  }

  /** Without null, which a place may allow and another one not. */
  function shapeOf(one: ISchema<unknown>): JsonObject {
    if (isLazy(one)) return { anyOf: unionOf(one).branches().map(write) };
    const schema = one as Schema;
    return contentOf(schema, schema.describe() as SchemaDescription);
  }

  function contentOf(schema: Schema, { type, oneOf, tests }: SchemaDescription): JsonObject {
    if (oneOf.length === 1) return { const: oneOf[0] };
    if (oneOf.length > 1) return { enum: [...oneOf] };
    const test = (name: string) => tests.find((one) => one.name === name);
    const bound = (name: string) => test(name)?.params?.[name];
    switch (type) {
      case 'string': {
        const regex = tests.map(({ params }) => params?.regex).find((one) => one instanceof RegExp);
        return {
          type,
          // Text that is required is not empty either.
          ...limits('Length', bound('min') ?? (test('required') ? 1 : undefined), bound('max')),
          ...(regex && { pattern: regex.source }),
        };
      }
      case 'number':
        return {
          type: test('integer') ? 'integer' : 'number',
          ...limits('imum', bound('min'), bound('max')),
        };
      case 'boolean':
        return { type };
      case 'array': {
        const { innerType } = schema as ArraySchema<unknown[], unknown>;
        if (!innerType) throw new Error('A list does not tell what it holds.');
        return {
          type,
          ...limits('Items', bound('min'), bound('max')),
          items: write(innerType as ISchema<unknown>),
        };
      }
      case 'object':
        return recordOf(schema as ObjectSchema<object>);
      default: {
        const { entries } = aboutOf(schema);
        if (!entries) throw new Error(`A schema of type ${type} does not tell what it holds.`);
        return { type: 'object', additionalProperties: write(entries) };
      }
    }
  }

  function recordOf({ fields, spec }: ObjectSchema<object>): JsonObject {
    const members = Object.entries(fields as Record<string, ISchema<unknown>>);
    return {
      type: 'object',
      required: members.filter(([, one]) => !isOptional(one)).map(([name]) => name),
      ...(spec.noUnknown && { additionalProperties: false }),
      properties: Object.fromEntries(members.map(([name, one]) => [name, write(one)])),
    };
  }
}

function limits(of: 'Length' | 'Items' | 'imum', least: unknown, most: unknown): JsonObject {
  return {
    ...(typeof least === 'number' && { [`min${of}`]: least }),
    ...(typeof most === 'number' && { [`max${of}`]: most }),
  };
}

function orNull(isNullable: boolean, written: JsonObject): JsonObject {
  if (!isNullable) return written;
  const { type, const: only, enum: several } = written;
  if (only !== undefined) return { enum: [only, null] };
  if (Array.isArray(several)) return { enum: [...several, null] };
  return typeof type === 'string' && type !== 'object'
    ? { ...written, type: [type, 'null'] }
    : { anyOf: [{ type: 'null' }, written] };
}

function isLazy(schema: ISchema<unknown>): schema is Lazy<unknown> {
  return (schema as Schema | Lazy<unknown>).type === 'lazy';
}

function unionOf(schema: Lazy<unknown>): Union {
  const { union } = aboutOf(schema);
  if (!union) throw new Error('A choice does not tell among what.');
  return union;
}

function aboutOf(schema: ISchema<unknown>): About {
  return (schema as Schema).spec.meta ?? {};
}

function isOptional(schema: ISchema<unknown>): boolean {
  return (schema as Schema).spec.optional;
}
