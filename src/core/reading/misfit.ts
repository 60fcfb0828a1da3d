import { type Schema, ValidationError } from 'yup';

/** What has too much or too little of something: a text of characters (UTF-16 code units), a list of entries, or a number. */
export type Measured = 'characters' | 'entries' | 'number';

/** Rules of Ukko's own schemas, by the names of their tests. */
export const schemaRules = [
  'SHA-256',
  'moment',
  'base64',
  'endpoint name',
  'name not taken',
  'web address',
  'origin',
  'endpoints or pages',
] as const;
export type SchemaRule = (typeof schemaRules)[number];

/** Why something does not fit a schema. */
type Fault =
  | { readonly code: 'missing' }
  | { readonly code: 'other type'; readonly wanted: string }
  | { readonly code: 'not listed'; readonly values: readonly string[] }
  | { readonly code: 'too much'; readonly of: Measured; readonly most: number }
  | { readonly code: 'too little'; readonly of: Measured; readonly least: number }
  | { readonly code: 'no whole number' }
  | { readonly code: 'unknown entries'; readonly names: readonly string[] }
  /** Null: a rule that has no name. */
  | { readonly code: 'refused'; readonly rule: SchemaRule | null };

/** The first thing in what was brought that does not fit its schema. `path` is as in `fields[2].name`; empty for the whole. */
export type Misfit = Fault & { readonly path: string };

export type Fitting<Value> =
  | { readonly status: 'fits'; readonly value: Value }
  | { readonly status: 'misfit'; readonly misfit: Misfit };

/** Checks a value by a schema; nothing in it is turned into something else. Mistakes of the schema itself are thrown. */
export function fitted<Value>(schema: Schema<Value>, value: unknown): Fitting<Value> {
  const found = validated(schema, value);
  return found instanceof ValidationError
    ? { status: 'misfit', misfit: misfitOf(found) }
    : { status: 'fits', value: found.value };
}

/** The same in the library's own terms, for rules of schemas that hold other schemas. */
export function validated<Value>(
  schema: Schema<Value>,
  value: unknown,
): { readonly value: Value } | ValidationError {
  try {
    return { value: schema.validateSync(value, { strict: true, abortEarly: true }) };
  } catch (error) {
    if (error instanceof ValidationError) return error;
    throw error;
  }
}

function misfitOf({ path = '', type = '', params = {} }: ValidationError): Misfit {
  return { path, ...faultOf(type, params) };
}

/** The library's names of what went wrong, with the parameters that it gives for each. */
function faultOf(type: string, params: Readonly<Record<string, unknown>>): Fault {
  const { value } = params;
  if (value === undefined || value === null || type === 'required') return { code: 'missing' };
  switch (type) {
    case 'typeError':
      return { code: 'other type', wanted: String(params.type) };
    case 'oneOf':
      return { code: 'not listed', values: (params.resolved as readonly unknown[]).map(String) };
    case 'max':
      return { code: 'too much', of: measured(value), most: Number(params.max) };
    case 'min':
      return { code: 'too little', of: measured(value), least: Number(params.min) };
    case 'integer':
      return { code: 'no whole number' };
    case 'noUnknown':
      return { code: 'unknown entries', names: String(params.unknown).split(', ') };
    default:
      return { code: 'refused', rule: schemaRules.find((rule) => rule === type) ?? null };
  }
}

function measured(value: unknown): Measured {
  if (typeof value === 'number') return 'number';
  return typeof value === 'string' ? 'characters' : 'entries';
}
