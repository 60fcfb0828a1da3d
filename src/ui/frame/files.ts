import type { FormId } from '@/core/form/form-document';
import type { Run, RunId } from '@/core/observation/run';
import { maxRunFile, readRunFile, writeRunFile } from '@/core/observation/run-file';
import { openDatabase } from '@/store/database';
import { newForm } from '@/store/forms';
import { addRun, loadRun } from '@/store/runs';

export type Opened =
  | { readonly status: 'run'; readonly form: FormId; readonly run: RunId }
  | { readonly status: 'form'; readonly form: FormId }
  | { readonly status: 'fault'; readonly text: string };

/** Opens a file that a person gave: a run, or HTML as a new form. Nothing that is here is overwritten. */
export async function openFile(file: File): Promise<Opened> {
  if (file.size > maxRunFile)
    return {
      status: 'fault',
      text: 'The file is larger than 64 MB. Export a smaller run, or sweep fewer fields at a time.',
    };
  const content = await file.text();
  // A run file holds HTML too, inside its JSON.
  if (looksLikeHtml(content) && !content.trimStart().startsWith('{'))
    return { status: 'form', form: await newForm(openDatabase(), content, file.name) };
  const reading = readRunFile(content);
  if (reading.status === 'fault') return reading;
  await addRun(openDatabase(), reading.run);
  return { status: 'run', form: reading.run.form.id, run: reading.run.id };
}

/** True for text that holds a form field; a stray angle bracket is not enough. */
export function looksLikeHtml(text: string): boolean {
  return /<(form|input|select|textarea|button|fieldset|!doctype|html|body)\b/i.test(text);
}

/** Gives the run to the person as a file. Null when it is gone. */
export async function exportRun(id: RunId): Promise<string | null> {
  const run = await loadRun(openDatabase(), id);
  if (!run) return null;
  download(writeRunFile(run), fileName(run));
  return fileName(run);
}

function fileName(run: Run): string {
  const name =
    run.form.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'form';
  return `${name}-${run.startedAt.slice(0, 16).replace(/[:T]/g, '-')}.run.json`;
}

function download(content: string, name: string): void {
  const url = URL.createObjectURL(new Blob([content], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
