import type { Remote } from 'comlink';
import type { FormDocument } from '@/core/document/form-document';
import type { FormInPage } from '@/core/html/forms-in-page';
import type { RunId } from '@/core/run/run';
import { maxRunFile } from '@/core/run/run-file';
import { unlessAborted } from '@/core/unless-aborted';
import { openDatabase } from '@/store/database';
import { newForm } from '@/store/forms';
import { isZip } from '@/store/is-zip';
import type { FileWork, FormExport, ReadFile, WrittenFile } from '@/workers/file.worker';
import { markupReader } from '@/workers/markup-reader';
import { inOwnWorker } from '@/workers/own-worker';
import { download } from './download';
import { looksLikeHtml } from './looks-like-html';

export type Opened =
  | ReadFile
  /** A page of several forms; one of them is to be chosen. */
  | { readonly status: 'choice'; readonly forms: readonly FormInPage[]; readonly name: string };

/** Opens a file that a person gave: a run, a form, a workspace, or HTML as a new form. Nothing that is here is overwritten. */
export async function openFile(file: File, signal: AbortSignal): Promise<Opened> {
  const markup = await markupIn(file);
  if (markup !== null) return openMarkup(markup, file.name, signal);
  return withWorker(async (work): Promise<ReadFile> => work.read(file), signal);
}

async function markupIn(file: File): Promise<string | null> {
  if (file.size > maxRunFile || (await isZip(file))) return null;
  const content = await file.text();
  // A run file holds HTML too, inside its JSON.
  return looksLikeHtml(content) && !content.trimStart().startsWith('{') ? content : null;
}

/** Opens markup as a new form; of a page of several forms one is chosen first. */
async function openMarkup(markup: string, name: string, signal: AbortSignal): Promise<Opened> {
  const forms = await unlessAborted(markupReader().formsInPage(markup), signal);
  if (forms.length > 1) return { status: 'choice', forms, name };
  return { status: 'form', form: await newForm(openDatabase(), markup, name) };
}

/** Gives everything that is kept here to the person as one file. @returns its name */
export async function exportWorkspace(signal: AbortSignal): Promise<string> {
  return given(await withWorker((work) => work.workspace(), signal));
}

/** Gives what was decided to the person as the file that a project keeps beside its code. @returns its name */
export async function exportDecisions(signal: AbortSignal): Promise<string> {
  return given(await withWorker((work) => work.decisions(), signal));
}

/** Gives the form to the person as a file. @returns its name */
export async function exportForm(form: FormDocument, as: FormExport, signal: AbortSignal): Promise<string> {
  return given(await withWorker((work) => work.form(form, as), signal));
}

/** Gives the run to the person as a file. Null when it is gone. */
export async function exportRun(id: RunId, signal: AbortSignal): Promise<string | null> {
  const written = await withWorker((work) => work.run(id), signal);
  return written && given(written);
}

function given({ name, content }: WrittenFile): string {
  download(content, name, content.type);
  return name;
}

function withWorker<Result>(
  use: (work: Remote<FileWork>) => Promise<Result>,
  signal: AbortSignal,
): Promise<Result> {
  const worker = new Worker(new URL('../../workers/file.worker.ts', import.meta.url), { type: 'module' });
  return inOwnWorker(worker, use, signal);
}
