/**
 * What a record that is used as a map has under a name that a person wrote: `constructor` and `__proto__` are ordinary names, and what
 * every object inherits is nobody's entry.
 */
export function ownEntry<Value>(record: { readonly [name: string]: Value }, name: string): Value | undefined {
  return Object.hasOwn(record, name) ? record[name] : undefined;
}
