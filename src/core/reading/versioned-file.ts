import { isJsonObject, type JsonObject } from '../json-object';
import type { FileFault, FileKind } from './file-fault';
import { readJson } from './read-json';

/** What says of a file of Ukko's own what it is. */
export interface FileFormat {
  readonly file: FileKind;
  /** As in its member `format`. */
  readonly format: string;
  /** The version that is read. */
  readonly version: number;
}

export type VersionedReading =
  /** What is in it besides `format` and `version`. */
  | { readonly status: 'read'; readonly contents: JsonObject }
  | { readonly status: 'fault'; readonly fault: FileFault };

/** True for text that begins as a file of this format does, its schema named first or not, whether or not the rest is right. */
export function beginsAs(format: string, content: string): boolean {
  const [, named] =
    /^\s*\{\s*(?:"\$schema"\s*:\s*"[^"]*"\s*,\s*)?"format"\s*:\s*"([^"]*)"/.exec(content) ?? [];
  return named === format;
}

/**
 * Reads a file that says what it is and in which version; whether the rest is right is for its schema to say.
 * @param lineOf the line in which the parser stopped, from 1, where that can be told
 */
export function readVersioned(
  content: string,
  { file, format, version: reads }: FileFormat,
  lineOf: (error: unknown) => number | null = () => null,
): VersionedReading {
  let value: unknown;
  try {
    value = readJson(content);
  } catch (error) {
    return { status: 'fault', fault: { file, code: 'no JSON', line: lineOf(error) } };
  }
  if (!isJsonObject(value) || value.format !== format)
    return { status: 'fault', fault: { file, code: 'other file' } };
  const { format: _, version, ...contents } = value;
  if (typeof version === 'number' && version > reads)
    return { status: 'fault', fault: { file, code: 'newer version', version, reads } };
  return version === reads
    ? { status: 'read', contents }
    : { status: 'fault', fault: { file, code: 'no version' } };
}
