import { ValidationError } from 'yup';
import { linePositions } from '../html/line-positions';
import { readJson } from '../read-json';
import type { FormDocument } from './form-document';
import { formSchema } from './form-schema';

/** The version that this Ukko writes. */
export const formFileVersion = 1;

export type FormFileReading =
  | { readonly status: 'read'; readonly form: FormDocument }
  | { readonly status: 'fault'; readonly text: string };

/** Writes a form, with its scripts and guards, as one JSON document. */
export function writeFormFile(form: FormDocument): string {
  const { id, name, markup, typing, page } = form;
  return `${JSON.stringify({ format: 'ukko-form', version: formFileVersion, id, name, markup, typing, page }, null, 2)}\n`;
}

/** True for text that says it is a form file, whether or not it can be read. */
export function isFormFile(content: string): boolean {
  return /^\s*\{\s*"format"\s*:\s*"ukko-form"/.test(content);
}

/** Reads a form file. A fault says in one sentence what is wrong, in which line, and what to do. */
export function readFormFile(content: string): FormFileReading {
  let value: unknown;
  try {
    value = readJson(content);
  } catch (error) {
    return fault(
      `The form file is no JSON${whereOf(error, content)}. Mend it there, or export the form again.`,
    );
  }
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== 'ukko-form')
    return fault('This is not a form file of Ukko. Choose a file that was written with “Export form”.');
  const { format: _, version, ...form } = value as Record<string, unknown>;
  if (version !== formFileVersion)
    return fault(
      `The form file is of version ${String(version)}, this Ukko reads ${formFileVersion}. Export it again.`,
    );
  try {
    return {
      status: 'read',
      form: formSchema.validateSync(form, { strict: true }) as unknown as FormDocument,
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const path = error.path ?? '';
    const line = lineOf(content, path);
    return fault(
      `The form file is wrong at ${path || 'its top level'}${line === null ? '' : `, line ${line}`}: ${said(error)} Mend it there, or export the form again.`,
    );
  }
}

/** Yup repeats what was given, which may be long, and then the name. */
function said({ message, path }: ValidationError): string {
  const wanted = /must be an? `?(\w+)`? type/.exec(message)?.[1];
  if (wanted) return `a ${wanted} is wanted there.`;
  return `${message.replace(`${path} `, '').replace(/\s+/g, ' ').slice(0, 160).replace(/\.$/, '')}.`;
}

/** The line in which the innermost name of a path stands, from 1; null when it cannot be found. */
function lineOf(content: string, path: string): number | null {
  let at = 0;
  for (const name of path.split(/[.[\]"]+/).filter((part) => part !== '' && !/^\d+$/.test(part))) {
    const found = content.indexOf(`"${name}"`, at);
    if (found < 0) return null;
    at = found;
  }
  return path === '' ? null : linePositions(content)(at).line;
}

/** Where the JSON parser stopped, as far as it says so. */
function whereOf(error: unknown, content: string): string {
  const position = /position (\d+)/.exec(error instanceof Error ? error.message : '')?.[1];
  return position === undefined ? '' : ` (line ${linePositions(content)(Number(position)).line})`;
}

function fault(text: string): FormFileReading {
  return { status: 'fault', text };
}
