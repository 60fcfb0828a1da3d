import { type Fields, type SchemaField, taggedUnion } from '../reading/schema-union';

/** Fields of each code, besides the code; the tables are typed by code, so that none is left out. */
export type FieldsOf<Coded extends { readonly code: string }> = {
  readonly [Code in Coded['code']]: Readonly<
    Record<Exclude<keyof (Coded & { readonly code: Code }), 'code'>, SchemaField>
  >;
};

/** A record with one of these codes, with the fields of that code and no others. */
export function byCode(tables: () => Readonly<Record<string, Fields>>) {
  return taggedUnion('code', tables);
}
