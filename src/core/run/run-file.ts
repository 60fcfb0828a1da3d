import { array, mixed, object, string } from 'yup';
import { formSchema } from '../document/form-schema';
import type { JsonObject } from '../json-object';
import { pictureSchema, timeSchema } from '../observation/schema-parts';
import { observationSchema } from '../questions/observation-schema';
import type { FileFault } from '../reading/file-fault';
import { jsonSchemaOf } from '../reading/json-schema';
import { fitted } from '../reading/misfit';
import { readJson } from '../reading/read-json';
import { described } from '../reading/schema-union';
import { lineUpSchema } from '../target/target-schema';
import type { Run } from './run';
import { runFromVersion1 } from './run-file-1';
import { runFromVersion3 } from './run-file-3';

/** The version that this Ukko writes. docs/run-file.schema.json publishes its shape. */
export const runFileVersion = 5;

/** Longest run file that is read, UTF-16 code units. */
export const maxRunFile = 64_000_000;
const file = 'run';
/** Why a file that is longer than that is not read. */
export const runFileTooLarge: FileFault = { file, code: 'too large', most: maxRunFile / 1_000_000 };

export interface RunFile extends Run {
  readonly format: 'ukko-run';
  readonly version: typeof runFileVersion;
}

export type RunFileReading =
  | { readonly status: 'read'; readonly run: Run }
  | { readonly status: 'fault'; readonly fault: FileFault };

const text = () => string().strict().required().max(200);

const runSchema = object({
  id: text(),
  form: formSchema,
  lineUp: lineUpSchema,
  ukko: described(
    'The version of Ukko that asked; null where an older file did not say so.',
    string().strict().max(50).nullable().defined(),
  ),
  startedAt: timeSchema,
  finishedAt: described('Null when the sweep was cut short.', timeSchema.nullable().defined()),
  observations: array(observationSchema).strict().max(200_000).defined(),
  pictures: array(pictureSchema).strict().max(100_000).defined(),
})
  .strict()
  .noUnknown();

/** The shape of a run file of this version, as JSON Schema; docs/run-file.schema.json is this, written down by `npm run schemas`. */
export function runFileJsonSchema(): JsonObject {
  const { fields } = runSchema;
  const whole = object({
    format: mixed().oneOf(['ukko-run']).required(),
    version: mixed().oneOf([runFileVersion]).required(),
    ...fields,
  })
    .strict()
    .noUnknown();
  return jsonSchemaOf(whole, {
    title: `Ukko run file, version ${runFileVersion}`,
    description:
      'One sweep: the form as it was, the line-up, every answer with its provenance, and the pictures. Lengths are CSS px, offsets UTF-16 code units, times ISO 8601 in UTC.',
  });
}

/** Brings a run of each version into the shape of this one. */
const olderVersions: Readonly<Record<number, (run: JsonObject) => JsonObject>> = {
  1: (run) => runFromVersion3(runFromVersion2(runFromVersion1(run))),
  2: (run) => runFromVersion3(runFromVersion2(run)),
  3: runFromVersion3,
  // It did not say on what answers rest, which need not be said.
  4: (run) => run,
  [runFileVersion]: (run) => run,
};

/** Version 2 did not say which Ukko asked. */
function runFromVersion2(run: JsonObject): JsonObject {
  return { ...run, ukko: null };
}

/** Writes a run as one JSON document. */
export function writeRunFile(run: Run): string {
  const file: RunFile = { format: 'ukko-run', version: runFileVersion, ...run };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/** Reads a run file. */
export function readRunFile(content: string): RunFileReading {
  if (content.length > maxRunFile) return fault(runFileTooLarge);
  const value = parse(content);
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== 'ukko-run')
    return fault({ file, code: 'other file' });
  const { format, version, ...run } = value as JsonObject;
  if (typeof version === 'number' && version > runFileVersion)
    return fault({ file, code: 'newer version', version, reads: runFileVersion });
  const raised = typeof version === 'number' ? olderVersions[version] : undefined;
  if (!raised) return fault({ file, code: 'no version' });
  const fitting = fitted(runSchema, raised(run));
  return fitting.status === 'fits'
    ? { status: 'read', run: fitting.value as unknown as Run }
    : fault({ file, code: 'misfit', line: null, misfit: fitting.misfit });
}

function parse(content: string): unknown {
  try {
    return readJson(content);
  } catch {
    return null;
  }
}

function fault(fault: FileFault): RunFileReading {
  return { status: 'fault', fault };
}
