import { expose } from 'comlink';
import { isDeviceFile } from '@/core/device/device-message';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { isFormFile, readFormFile, writeFormFile } from '@/core/document/form-file';
import {
  decisionsFileName,
  isDecisionsFile,
  readDecisionsFile,
  writeDecisionsFile,
} from '@/core/finding/decisions-file';
import { nameFromWords } from '@/core/html/name-from-words';
import { standalonePage } from '@/core/html/standalone-page';
import type { FileFault } from '@/core/reading/file-fault';
import type { Run, RunId } from '@/core/run/run';
import { maxRunFile, readRunFile, runFileTooLarge, writeRunFile } from '@/core/run/run-file';
import { fileFaultText } from '@/core/words/file-fault-words';
import { refusalText } from '@/core/words/refusal-words';
import { openDatabase } from '@/store/database';
import { projectDecisions, type TakenDecisions, takeDecisions } from '@/store/decisions';
import { newForm } from '@/store/forms';
import { isZip } from '@/store/is-zip';
import { isOutOfRoom, outOfRoom } from '@/store/room';
import { addRun, loadRun } from '@/store/runs';
import { type Merged, mergeWorkspaceFile, writeWorkspaceFile } from '@/store/workspace-file';

/** What came of a file of Ukko's own. */
export type ReadFile =
  | { readonly status: 'run'; readonly form: FormId; readonly run: RunId }
  | { readonly status: 'form'; readonly form: FormId }
  | { readonly status: 'workspace'; readonly merged: Merged }
  | { readonly status: 'decisions'; readonly taken: TakenDecisions }
  | { readonly status: 'fault'; readonly text: string };

export interface WrittenFile {
  readonly name: string;
  readonly content: Blob;
}

/** The sorts of files that a form can be given as. */
const formExports = {
  form: { ending: 'form.json', type: 'application/json', write: writeFormFile },
  markup: { ending: 'html', type: 'text/html', write: ({ markup }: FormDocument) => markup },
  page: {
    ending: 'page.html',
    type: 'text/html',
    write: ({ name, markup }: FormDocument) => standalonePage(name, markup),
  },
} as const;
export type FormExport = keyof typeof formExports;

/** Reads and writes files where it holds nothing up. */
const fileWork = {
  /** Takes a run, a form or a workspace in. Nothing that is here is overwritten. */
  async read(file: File): Promise<ReadFile> {
    try {
      return (await isZip(file)) ? await readWorkspace(file) : await readText(file);
    } catch (error) {
      if (isOutOfRoom(error)) return { status: 'fault', text: outOfRoom };
      throw error;
    }
  },

  /** Everything that is kept in this browser. */
  async workspace(): Promise<WrittenFile> {
    const name = `ukko-${new Date().toISOString().slice(0, 10)}.workspace.zip`;
    return { name, content: await writeWorkspaceFile(openDatabase()) };
  },

  /** What was decided about every form that is kept in this browser. */
  async decisions(): Promise<WrittenFile> {
    const content = writeDecisionsFile(await projectDecisions(openDatabase()));
    return { name: decisionsFileName, content: new Blob([content], { type: 'application/json' }) };
  },

  form(form: FormDocument, as: FormExport): WrittenFile {
    const { ending, type, write } = formExports[as];
    return {
      name: `${nameFromWords(form.name, 'form')}.${ending}`,
      content: new Blob([write(form)], { type }),
    };
  },

  /** Null when it is gone. */
  async run(id: RunId): Promise<WrittenFile | null> {
    const run = await loadRun(openDatabase(), id);
    if (!run) return null;
    return { name: runFileName(run), content: new Blob([writeRunFile(run)], { type: 'application/json' }) };
  },
};
export type FileWork = typeof fileWork;

async function readWorkspace(file: File): Promise<ReadFile> {
  const merge = await mergeWorkspaceFile(openDatabase(), file);
  return merge.status === 'merged' ? { status: 'workspace', merged: merge.merged } : merge;
}

async function readText(file: File): Promise<ReadFile> {
  if (file.size > maxRunFile) return refused(runFileTooLarge);
  const content = await file.text();
  if (isFormFile(content)) return readForm(content);
  if (isDecisionsFile(content)) return readDecisions(content);
  if (isDeviceFile(content))
    return {
      status: 'fault',
      text: refusalText({ code: 'device file' }),
    };
  const reading = readRunFile(content);
  if (reading.status === 'fault') return refused(reading.fault);
  await addRun(openDatabase(), reading.run);
  return { status: 'run', form: reading.run.form.id, run: reading.run.id };
}

async function readDecisions(content: string): Promise<ReadFile> {
  const reading = readDecisionsFile(content);
  if (reading.status === 'fault') return refused(reading.fault);
  return { status: 'decisions', taken: await takeDecisions(openDatabase(), reading.decisions) };
}

async function readForm(content: string): Promise<ReadFile> {
  const reading = readFormFile(content);
  if (reading.status === 'fault') return refused(reading.fault);
  const { name, markup, typing, page } = reading.form;
  return { status: 'form', form: await newForm(openDatabase(), markup, name, typing, page) };
}

function refused(fault: FileFault): ReadFile {
  return { status: 'fault', text: fileFaultText(fault) };
}

function runFileName(run: Run): string {
  return `${nameFromWords(run.form.name, 'form')}-${run.startedAt.slice(0, 16).replace(/[:T]/g, '-')}.run.json`;
}

expose(fileWork);
