import { type Fields, type SchemaField, taggedUnion } from './schema-union';

/** Fields of each code, besides the code; the tables are typed by code, so that none is left out. */
export type FieldsOf<Coded extends { readonly code: string }> = {
  readonly [Code in Coded['code']]: Readonly<Record<FieldNames<Coded, Code>, SchemaField>>;
};

/** Of a union, those that have this code; one shape may stand for several codes. */
type FieldNames<Coded extends { readonly code: string }, Code> = Coded extends unknown
  ? Code extends Coded['code']
    ? Exclude<keyof Coded, 'code'>
    : never
  : never;

/** A record with one of these codes, with the fields of that code and no others. */
export function byCode(tables: () => Readonly<Record<string, Fields>>) {
  return taggedUnion('code', tables);
}
