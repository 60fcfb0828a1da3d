import type JSZip from 'jszip';
import type { FormId } from '@/core/document/form-document';
import { type Picture, type PictureId, pictureData, pictureId } from '@/core/observation/picture';
import { observationKey } from '@/core/questions/observation';
import type { FileFault } from '@/core/reading/file-fault';
import type { Run } from '@/core/run/run';
import { readRunFile, writeRunFile } from '@/core/run/run-file';
import { ukkoVersion } from '@/core/version';
import { fileFaultText } from '@/core/words/file-fault-words';
import { additionsFrom } from '@/core/workspace/merge';
import {
  type Belongings,
  readWorkspace,
  type WorkspaceContents,
  workspaceVersion,
} from '@/core/workspace/workspace';
import type { UkkoDatabase } from './database';
import { keepAnswers, observationsOf } from './runs';

/** Longest workspace file that is opened, bytes. */
export const maxWorkspace = 400_000_000;
/** Most that comes out of it once it is unpacked, bytes, in one part and in all: a small file may unpack to a very large one. */
const unpackedLimits = { part: 300_000_000, picture: 20_000_000, all: 1_000_000_000 };

const contentsName = 'workspace.json';

async function belongingsIn(database: UkkoDatabase): Promise<Belongings> {
  const [forms, decisions, lineUps, baselines, targets, corrections] = await Promise.all([
    database.forms.toArray(),
    database.decisions.toArray(),
    database.lineUps.toArray(),
    database.baselines.toArray(),
    database.targets.toArray(),
    database.corrections.toArray(),
  ]);
  return { forms, decisions, lineUps, baselines, targets, corrections };
}

/** Everything that Ukko keeps in this browser, as one zip file. */
export async function writeWorkspaceFile(database: UkkoDatabase): Promise<Blob> {
  const zip = await newZip();
  const pictures: WorkspaceContents['pictures'][number][] = [];
  await database.pictures.each(({ id, width, height, data }) => {
    pictures.push({ id, width, height });
    // PNG is packed already.
    zip.file(`pictures/${id}.png`, data, { base64: true, compression: 'STORE' });
  });
  for (const [index, stored] of (await database.runs.toArray()).entries()) {
    const { formId: _, ...run } = stored;
    const observations = await observationsOf(database, run.id);
    zip.file(`runs/${index + 1}.json`, writeRunFile({ ...run, observations, pictures: [] }));
  }
  const contents: WorkspaceContents = {
    format: 'ukko-workspace',
    version: workspaceVersion,
    ukko: ukkoVersion,
    exportedAt: new Date().toISOString(),
    ...(await belongingsIn(database)),
    pictures,
  };
  zip.file(contentsName, `${JSON.stringify(contents, null, 1)}\n`);
  return zip.generateAsync({ type: 'blob', compression: 'DEFLATE', compressionOptions: { level: 6 } });
}

/** How much came out of a workspace file. */
export interface Merged {
  readonly forms: number;
  readonly runs: number;
  readonly decisions: number;
  readonly pictures: number;
}

export type WorkspaceMerge =
  | { readonly status: 'merged'; readonly merged: Merged }
  | { readonly status: 'fault'; readonly text: string };

/** Takes in what a workspace file has and this browser lacks. All of it is read and checked before anything is kept. */
export async function mergeWorkspaceFile(
  database: UkkoDatabase,
  file: Blob,
  limits = unpackedLimits,
): Promise<WorkspaceMerge> {
  try {
    const read = await readAll(file, limits);
    return { status: 'merged', merged: await keepAll(database, read) };
  } catch (error) {
    if (error instanceof Damaged) return { status: 'fault', text: fileFaultText(error.fault) };
    throw error;
  }
}

const file = 'workspace';

class Damaged extends Error {
  constructor(readonly fault: FileFault) {
    super(fault.code);
  }
}

interface ReadWorkspace {
  readonly contents: WorkspaceContents;
  readonly runs: readonly Run[];
  readonly pictures: readonly Picture[];
}

async function readAll(packed: Blob, limits: typeof unpackedLimits): Promise<ReadWorkspace> {
  if (packed.size > maxWorkspace)
    throw new Damaged({ file, code: 'too large', most: maxWorkspace / 1_000_000 });
  const zip = await (await newZip()).loadAsync(await packed.arrayBuffer()).catch(() => {
    throw new Damaged({ file, code: 'no zip' });
  });
  let left = limits.all;
  const unpacked = async (part: JSZip.JSZipObject, most: number) => {
    const bytes = await bytesOf(part, Math.min(most, left));
    left -= bytes.length;
    return bytes;
  };
  const textOf = async (part: JSZip.JSZipObject) =>
    new TextDecoder().decode(await unpacked(part, limits.part));
  const listed = zip.file(contentsName);
  if (!listed) throw new Damaged({ file, code: 'other file' });
  const reading = readWorkspace(await textOf(listed));
  if (reading.status === 'fault') throw new Damaged(reading.fault);
  const runs: Run[] = [];
  for (const part of zip.file(/^runs\/\d+\.json$/)) {
    const run = readRunFile(await textOf(part));
    if (run.status === 'fault')
      throw new Damaged({ file, code: 'part unread', name: part.name, fault: run.fault });
    runs.push(run.run);
  }
  const pictures: Picture[] = [];
  for (const { id, width, height } of reading.contents.pictures) {
    const part = zip.file(`pictures/${id}.png`);
    // A picture may have been thinned out; answers stand without it.
    if (!part) continue;
    pictures.push({ id, width, height, data: pictureIn(await unpacked(part, limits.picture), id) });
  }
  return { contents: reading.contents, runs, pictures };
}

function pictureIn(bytes: Uint8Array<ArrayBuffer>, id: PictureId): string {
  if (pictureId(bytes) !== id)
    throw new Damaged({ file, code: 'picture spoiled', name: `pictures/${id}.png` });
  return pictureData(bytes);
}

/** Unpacks one part, and stops as soon as it is too long. */
function bytesOf(part: JSZip.JSZipObject, most: number): Promise<Uint8Array<ArrayBuffer>> {
  return new Promise((resolve, reject) => {
    const chunks: Uint8Array<ArrayBuffer>[] = [];
    let length = 0;
    const stream = unpacking(part);
    const { name } = part;
    const fail = () => reject(new Damaged({ file, code: 'part damaged', name }));
    stream.on('data', (chunk) => {
      length += chunk.length;
      if (length <= most) chunks.push(chunk as Uint8Array<ArrayBuffer>);
      else {
        stream.pause();
        reject(new Damaged({ file, code: 'part too large', name }));
      }
    });
    stream.on('error', fail);
    stream.on('end', () => {
      const bytes = new Uint8Array(length);
      let at = 0;
      for (const chunk of chunks) {
        bytes.set(chunk, at);
        at += chunk.length;
      }
      resolve(bytes);
    });
    stream.resume();
  });
}

interface Unpacking {
  on(event: 'data', hear: (chunk: Uint8Array) => void): Unpacking;
  on(event: 'error' | 'end', hear: () => void): Unpacking;
  pause(): void;
  resume(): void;
}

/** The stream of a part; the package documents it and leaves it out of its types. */
function unpacking(part: JSZip.JSZipObject): Unpacking {
  return (part as unknown as { internalStream(type: 'uint8array'): Unpacking }).internalStream('uint8array');
}

async function keepAll(database: UkkoDatabase, { contents, runs, pictures }: ReadWorkspace): Promise<Merged> {
  return database.transaction('rw', database.tables, async () => {
    const come = additionsFrom(await belongingsIn(database), contents, () => crypto.randomUUID() as FormId);
    await database.forms.bulkPut([...come.forms]);
    await database.decisions.bulkPut([...come.decisions]);
    await database.lineUps.bulkPut([...come.lineUps]);
    await database.baselines.bulkPut([...come.baselines]);
    await database.targets.bulkPut([...come.targets]);
    await database.corrections.bulkPut([...come.corrections]);
    let added = 0;
    for (const run of runs) added += await keepRun(database, run);
    const known = new Set(await database.pictures.toCollection().primaryKeys());
    const fresh = pictures.filter(({ id }) => !known.has(id));
    await database.pictures.bulkPut(fresh);
    return {
      forms: come.forms.length,
      runs: added,
      decisions: come.decisions.length,
      pictures: fresh.length,
    };
  });
}

/** A sweep that is here already gains the answers that it lacks, and those that were given later. @returns 1 for a new one */
async function keepRun(database: UkkoDatabase, run: Run): Promise<0 | 1> {
  const { observations, pictures: _, ...rest } = run;
  const isNew = (await database.runs.get(run.id)) === undefined;
  const here = new Map((await observationsOf(database, run.id)).map((one) => [observationKey(one), one.at]));
  const later = observations.filter((one) => (here.get(observationKey(one)) ?? '') < one.at);
  if (isNew) await database.runs.put({ ...rest, formId: run.form.id });
  await keepAnswers(database, run.id, later);
  if (!(await database.forms.get(run.form.id)))
    await database.forms.put({ ...run.form, changedAt: run.startedAt });
  return isNew ? 1 : 0;
}

async function newZip(): Promise<JSZip> {
  const { default: Zip } = await import('jszip');
  return new Zip();
}
