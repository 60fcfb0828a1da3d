import { isDeviceFile } from '@/core/device/device-message';
import type { FormDocument, FormId } from '@/core/form/form-document';
import { isFormFile, readFormFile, writeFormFile } from '@/core/form/form-file';
import type { FormInPage } from '@/core/form/forms-in-page';
import { nameFromWords } from '@/core/form/name-from-words';
import { standalonePage } from '@/core/form/standalone-page';
import type { Run, RunId } from '@/core/observation/run';
import { maxRunFile, readRunFile, writeRunFile } from '@/core/observation/run-file';
import { openDatabase } from '@/store/database';
import { newForm } from '@/store/forms';
import { addRun, loadRun } from '@/store/runs';
import { type Merged, mergeWorkspaceFile, writeWorkspaceFile } from '@/store/workspace-file';
import { markupReader } from '@/workers/markup-reader';
import { download } from './download';
import { looksLikeHtml } from './looks-like-html';

export type Opened =
  | { readonly status: 'run'; readonly form: FormId; readonly run: RunId }
  | { readonly status: 'form'; readonly form: FormId }
  | { readonly status: 'workspace'; readonly merged: Merged }
  /** A page of several forms; one of them is to be chosen. */
  | { readonly status: 'choice'; readonly forms: readonly FormInPage[]; readonly name: string }
  | { readonly status: 'fault'; readonly text: string };

/** Opens a file that a person gave: a run, or HTML as a new form. Nothing that is here is overwritten. */
export async function openFile(file: File): Promise<Opened> {
  if (await isZip(file)) return openWorkspace(file);
  if (file.size > maxRunFile)
    return {
      status: 'fault',
      text: 'The file is larger than 64 MB. Export a smaller run, or sweep fewer fields at a time.',
    };
  const content = await file.text();
  // A run file holds HTML too, inside its JSON.
  if (looksLikeHtml(content) && !content.trimStart().startsWith('{')) return openMarkup(content, file.name);
  if (isFormFile(content)) return openForm(content);
  if (isDeviceFile(content))
    return {
      status: 'fault',
      text: 'These are the answers of a device. Open them under Line-up, “A real device…”, where you give the device its name.',
    };
  const reading = readRunFile(content);
  if (reading.status === 'fault') return reading;
  await addRun(openDatabase(), reading.run);
  return { status: 'run', form: reading.run.form.id, run: reading.run.id };
}

async function isZip(file: File): Promise<boolean> {
  return (await file.slice(0, 2).text()) === 'PK';
}

async function openWorkspace(file: File): Promise<Opened> {
  const merge = await mergeWorkspaceFile(openDatabase(), file);
  return merge.status === 'merged' ? { status: 'workspace', merged: merge.merged } : merge;
}

/** Gives everything that is kept here to the person as one file. @returns its name */
export async function exportWorkspace(): Promise<string> {
  const name = `ukko-${new Date().toISOString().slice(0, 10)}.workspace.zip`;
  download(await writeWorkspaceFile(openDatabase()), name, 'application/zip');
  return name;
}

/** Opens markup as a new form; of a page of several forms one is chosen first. */
async function openMarkup(markup: string, name: string): Promise<Opened> {
  const forms = await markupReader().formsInPage(markup);
  if (forms.length > 1) return { status: 'choice', forms, name };
  return { status: 'form', form: await newForm(openDatabase(), markup, name) };
}

async function openForm(content: string): Promise<Opened> {
  const reading = readFormFile(content);
  if (reading.status === 'fault') return reading;
  const { name, markup, typing, page } = reading.form;
  return { status: 'form', form: await newForm(openDatabase(), markup, name, typing, page) };
}

/** The sorts of files that a form can be given as. */
export const formExports = {
  form: { ending: 'form.json', type: 'application/json', write: writeFormFile },
  markup: {
    ending: 'html',
    type: 'text/html',
    write: ({ markup }: FormDocument) => markup,
  },
  page: {
    ending: 'page.html',
    type: 'text/html',
    write: ({ name, markup }: FormDocument) => standalonePage(name, markup),
  },
} as const;

/** Gives the form to the person as a file. @returns its name */
export function exportForm(form: FormDocument, as: keyof typeof formExports): string {
  const { ending, type, write } = formExports[as];
  const name = `${nameFromWords(form.name, 'form')}.${ending}`;
  download(write(form), name, type);
  return name;
}

/** Gives the run to the person as a file. Null when it is gone. */
export async function exportRun(id: RunId): Promise<string | null> {
  const run = await loadRun(openDatabase(), id);
  if (!run) return null;
  download(writeRunFile(run), fileName(run));
  return fileName(run);
}

function fileName(run: Run): string {
  return `${nameFromWords(run.form.name, 'form')}-${run.startedAt.slice(0, 16).replace(/[:T]/g, '-')}.run.json`;
}
