import { array, object, string, ValidationError } from 'yup';
import { formSchema } from '../document/form-schema';
import type { JsonObject } from '../json-object';
import { pictureSchema, timeSchema } from '../observation/schema-parts';
import { observationSchema } from '../questions/observation-schema';
import { readJson } from '../read-json';
import { lineUpSchema } from '../target/target-schema';
import type { Run } from './run';
import { runFromVersion1 } from './run-file-1';
import { runFromVersion3 } from './run-file-3';

/** The version that this Ukko writes. docs/run-file.schema.json publishes its shape. */
export const runFileVersion = 4;

/** Longest run file that is read, UTF-16 code units. */
export const maxRunFile = 64_000_000;

export interface RunFile extends Run {
  readonly format: 'ukko-run';
  readonly version: typeof runFileVersion;
}

export type RunFileReading =
  | { readonly status: 'read'; readonly run: Run }
  | { readonly status: 'fault'; readonly text: string };

const text = () => string().strict().required().max(200);

const runSchema = object({
  id: text(),
  form: formSchema,
  lineUp: lineUpSchema,
  ukko: string().strict().max(50).nullable().defined(),
  startedAt: timeSchema,
  finishedAt: timeSchema.nullable().defined(),
  observations: array(observationSchema).strict().max(200_000).defined(),
  pictures: array(pictureSchema).strict().max(100_000).defined(),
})
  .strict()
  .noUnknown();

/** Brings a run of each version into the shape of this one. */
const olderVersions: Readonly<Record<number, (run: JsonObject) => JsonObject>> = {
  1: (run) => runFromVersion3(runFromVersion2(runFromVersion1(run))),
  2: (run) => runFromVersion3(runFromVersion2(run)),
  3: runFromVersion3,
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

/** Reads a run file. A fault says in one sentence what is wrong and what to do. */
export function readRunFile(content: string): RunFileReading {
  if (content.length > maxRunFile)
    return fault('The file is larger than 64 MB. Export a smaller run, or sweep fewer fields at a time.');
  const value = parse(content);
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== 'ukko-run')
    return fault(
      'This is not a run file of Ukko. Choose a file that was written with “Export run” or “ukko sweep”.',
    );
  const { format, version, ...run } = value as JsonObject;
  if (typeof version === 'number' && version > runFileVersion)
    return fault(
      `The file is of version ${version}, this Ukko reads up to ${runFileVersion}. Open it with a newer Ukko.`,
    );
  const raised = typeof version === 'number' ? olderVersions[version] : undefined;
  if (!raised) return fault('The file does not say which version it is of. Export the run again.');
  try {
    return {
      status: 'read',
      run: runSchema.validateSync(raised(run), {
        strict: true,
        abortEarly: true,
      }) as unknown as Run,
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fault(
      `The run file is damaged at ${error.path || 'its top level'}: ${plain(error.message)} Export the run again.`,
    );
  }
}

function parse(content: string): unknown {
  try {
    return readJson(content);
  } catch {
    return null;
  }
}

/** Yup repeats a long value in its message; a person needs the first words only. */
function plain(message: string): string {
  const line = message.replace(/\s+/g, ' ').slice(0, 200);
  return line.endsWith('.') ? line : `${line}.`;
}

function fault(text: string): RunFileReading {
  return { status: 'fault', text };
}
