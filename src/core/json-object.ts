/** An object of JSON, of which nothing else is known. */
export type JsonObject = Readonly<Record<string, unknown>>;

/** True of objects that are no lists. */
export function isJsonObject(value: unknown): value is JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
