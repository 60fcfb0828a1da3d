import { mixed, object } from 'yup';
import { isJsonObject } from '../json-object';

/** Fields of each code, besides the code; the tables are typed by code, so that none is left out. */
export type FieldsOf<Coded extends { readonly code: string }> = {
  readonly [Code in Coded['code']]: Readonly<
    Record<Exclude<keyof (Coded & { readonly code: Code }), 'code'>, Field>
  >;
};
type Field = Parameters<typeof object>[0] extends infer Shape ? NonNullable<Shape>[keyof Shape] : never;

/** A record with one of these codes, with the fields of that code and no others. */
export function byCode(value: unknown, tables: Readonly<Record<string, Readonly<Record<string, Field>>>>) {
  const code = isJsonObject(value) ? String(value.code) : '';
  const known = Object.hasOwn(tables, code) ? code : (Object.keys(tables)[0] ?? '');
  return object({ code: mixed().oneOf([known]).required(), ...tables[known] })
    .strict()
    .noUnknown()
    .required();
}
