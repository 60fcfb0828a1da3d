import { linePositions } from '../html/line-positions';
import type { FileFault } from '../reading/file-fault';
import { fitted } from '../reading/misfit';
import { beginsAs, readVersioned } from '../reading/versioned-file';
import type { FormDocument } from './form-document';
import { formSchema } from './form-schema';

/** The version that this Ukko writes. */
export const formFileVersion = 1;

const file = 'form';

export type FormFileReading =
  | { readonly status: 'read'; readonly form: FormDocument }
  | { readonly status: 'fault'; readonly fault: FileFault };

/** Writes a form, with its scripts and guards, as one JSON document. */
export function writeFormFile(form: FormDocument): string {
  const { id, name, markup, typing, page, language } = form;
  const contents = { id, name, markup, typing, page, language };
  return `${JSON.stringify({ format: 'ukko-form', version: formFileVersion, ...contents }, null, 2)}\n`;
}

/** True for text that says it is a form file, whether or not it can be read. */
export function isFormFile(content: string): boolean {
  return beginsAs('ukko-form', content);
}

/** Reads a form file. A fault has the line in which something is wrong, as far as it can be found. */
export function readFormFile(content: string): FormFileReading {
  const reading = readVersioned(content, { file, format: 'ukko-form', version: formFileVersion }, (error) =>
    lineOfError(error, content),
  );
  if (reading.status === 'fault') return reading;
  const fitting = fitted(formSchema, reading.contents);
  if (fitting.status === 'fits') return { status: 'read', form: fitting.value as unknown as FormDocument };
  const { misfit } = fitting;
  return fault({ file, code: 'misfit', line: lineOf(content, misfit.path), misfit });
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

/** The line in which the JSON parser stopped, from 1; null where it does not say so. */
function lineOfError(error: unknown, content: string): number | null {
  const position = /position (\d+)/.exec(error instanceof Error ? error.message : '')?.[1];
  return position === undefined ? null : linePositions(content)(Number(position)).line;
}

function fault(fault: FileFault): FormFileReading {
  return { status: 'fault', fault };
}
