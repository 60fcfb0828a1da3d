import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { type OwnPage, pageKey } from '@/core/document/own-page';
import { carriedDecisions } from '@/core/finding/carried-finding-id';
import type { Decision, FindingId } from '@/core/finding/finding';
import { grouped } from '@/core/grouped';
import type { Correction } from '@/core/keyboard/correction';
import { type Picture, pictureData } from '@/core/observation/picture';
import type { Observation } from '@/core/questions/observation';
import type { Run, RunId } from '@/core/run/run';
import { lineUpFromVersion1, observationFromVersion1 } from '@/core/run/run-file-1';
import { observationFromVersion3 } from '@/core/run/run-file-3';
import type { LineUp } from '@/core/target/line-up';
import type { Target, TargetId } from '@/core/target/target';

export interface StoredForm extends FormDocument {
  /** ISO 8601, UTC. */
  readonly changedAt: string;
}

/** A run without its answers and pictures, which have tables of their own. */
export type StoredRun = Omit<Run, 'observations' | 'pictures'> & { readonly formId: FormId };

/** What one target answered within a run, in one row: a large run has tens of thousands of answers, and rows are slow. */
export interface StoredAnswers {
  readonly run: RunId;
  readonly target: TargetId;
  readonly observations: readonly Observation[];
}

/** What was decided about a finding of a form. */
export interface StoredDecision extends Decision {
  readonly formId: FormId;
}

export interface StoredBaseline {
  readonly formId: FormId;
  readonly run: RunId;
}

/** The targets that a person chose for a form. */
export interface StoredLineUp extends LineUp {
  readonly formId: FormId;
}

/** A row that was found damaged, out of the way of those that are well. */
export interface StoredSetAside {
  readonly number: number;
  readonly table: string;
  readonly row: unknown;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** A page of the developer's own, with its steps, that the person wrote or confirmed here. */
export interface StoredTrust {
  readonly key: string;
}

/** What Ukko keeps in this browser. Pictures are shared between runs by their content. */
export class UkkoDatabase extends Dexie {
  declare forms: EntityTable<StoredForm, 'id'>;
  declare runs: EntityTable<StoredRun, 'id'>;
  declare answers: Table<StoredAnswers, [RunId, TargetId]>;
  declare pictures: EntityTable<Picture, 'id'>;
  declare lineUps: EntityTable<StoredLineUp, 'formId'>;
  /** Targets that the person made; those that ship are in the core. */
  declare targets: EntityTable<Target, 'id'>;
  /** What the person decided about findings, by form. */
  declare decisions: Table<StoredDecision, [FormId, FindingId]>;
  /** The sweep with which the others of a form are compared. */
  declare baselines: EntityTable<StoredBaseline, 'formId'>;
  /** What the person said of keyboards, for all forms. */
  declare corrections: EntityTable<Correction, 'key'>;
  /** Rows that cannot be read, as they were found. */
  declare setAside: EntityTable<StoredSetAside, 'number'>;
  declare trustedPages: EntityTable<StoredTrust, 'key'>;

  constructor(name = 'ukko') {
    // What is read is not changed: rows come out frozen, instead of each reader getting a copy of thousands of answers.
    super(name, { cache: 'immutable' });
    this.version(1).stores({
      forms: 'id, changedAt',
      runs: 'id, [formId+startedAt]',
      observations: '[run+key], run',
      pictures: 'id',
    });
    this.version(2)
      .stores({ lineUps: 'formId', targets: 'id' })
      .upgrade(async (transaction) => {
        await transaction
          .table('runs')
          .toCollection()
          .modify((run) => {
            run.lineUp = lineUpFromVersion1(run.lineUp);
          });
        await transaction
          .table('observations')
          .toCollection()
          .modify((row) => {
            row.observation = observationFromVersion1(row.observation);
          });
      });
    this.version(3).stores({ corrections: 'key' });
    this.version(5).stores({ decisions: '[formId+finding], formId' });
    this.version(6)
      .stores({ baselines: 'formId, run' })
      .upgrade(async (transaction) => {
        await transaction
          .table('runs')
          .toCollection()
          .modify((run) => {
            run.ukko = null;
          });
      });
    this.version(7).stores({ answers: '[run+target], run', observations: null }).upgrade(packAnswers);
    this.version(8).upgrade(unpackPictures);
    this.version(9).stores({ setAside: '++number' });
    this.version(10).stores({ trustedPages: 'key' }).upgrade(trustPagesSoFar);
    this.version(12).upgrade(carryDecisions);
    this.version(13).upgrade(codeReasons);
    this.version(4).upgrade(async (transaction) => {
      await transaction
        .table('corrections')
        .toCollection()
        .modify((correction) => {
          correction.about = 'what comes up';
        });
    });
  }
}

/** Until version 11 the id of a fault of markup held its sentence, until version 12 that of a guard its name. */
async function carryDecisions(transaction: Transaction): Promise<void> {
  const table = transaction.table<StoredDecision>('decisions');
  const carried = carriedDecisions(await table.toArray());
  await table.clear();
  await table.bulkPut(carried);
}

/** Until version 13 why there is no answer was a sentence. */
async function codeReasons(transaction: Transaction): Promise<void> {
  await transaction
    .table<StoredAnswers>('answers')
    .toCollection()
    .modify((row) => {
      // A row that is damaged is set aside later, whole.
      if (Array.isArray(row.observations))
        Object.assign(row, { observations: row.observations.map(observationFromVersion3) });
    });
}

/** Until version 6 each answer had a row of its own. */
async function packAnswers(transaction: Transaction): Promise<void> {
  const rows = transaction.table<{ run: RunId; observation: Observation }>('observations');
  const runs = (await rows.orderBy('run').uniqueKeys()) as unknown as RunId[];
  for (const run of runs) {
    const all = await rows.where('run').equals(run).toArray();
    const byTarget = grouped(
      all.map(({ observation }) => observation),
      ({ target }) => target,
    );
    await transaction
      .table<StoredAnswers>('answers')
      .bulkPut([...byTarget].map(([target, observations]) => ({ run, target, observations })));
  }
}

/** How many pictures of an older database are in memory at once while it is upgraded. */
const picturesAtOnce = 200;

/** Until version 7 each picture was a file of its own beside the database: thousands of them are slow to open. */
async function unpackPictures(transaction: Transaction): Promise<void> {
  const table = transaction.table<Omit<Picture, 'data'> & { blob: Blob }>('pictures');
  const ids = await table.toCollection().primaryKeys();
  for (let at = 0; at < ids.length; at += picturesAtOnce) {
    const kept = (await table.bulkGet(ids.slice(at, at + picturesAtOnce))).flatMap((one) => one ?? []);
    // The transaction would end while a file is read.
    const read = await Dexie.waitFor(
      Promise.all(
        kept.map(async ({ blob, ...picture }): Promise<Picture> => {
          return { ...picture, data: pictureData(new Uint8Array(await blob.arrayBuffer())) };
        }),
      ),
    );
    await transaction.table<Picture>('pictures').bulkPut(read);
  }
}

/** Until version 9 nobody was asked: what is there has been opened already. */
async function trustPagesSoFar(transaction: Transaction): Promise<void> {
  const forms = await transaction.table<Partial<StoredForm> | null>('forms').toArray();
  const pages = forms.flatMap((form) => (isOwnPage(form?.page) ? [form.page] : []));
  await transaction.table<StoredTrust>('trustedPages').bulkPut(pages.map((page) => ({ key: pageKey(page) })));
}

/** Rows may be spoiled: an upgrade that fails leaves nothing readable at all. */
function isOwnPage(page: OwnPage | null | undefined): page is OwnPage {
  return typeof page?.address === 'string' && typeof page.steps === 'string';
}

let database: UkkoDatabase | null = null;

const renewedKey = 'ukko-renewed';

/** Whether this window was loaded again because another tab has a newer Ukko; true once. */
export function wasRenewed(): boolean {
  const told = window.sessionStorage.getItem(renewedKey) !== null;
  window.sessionStorage.removeItem(renewedKey);
  return told;
}

/** The one database of this window or worker; made on first use, because a server has none. */
export function openDatabase(): UkkoDatabase {
  if (!database) {
    database = new UkkoDatabase();
    // A newer Ukko in another tab waits for this one to let go; what is unsaved here is left as a draft on the way out.
    database.on('versionchange', () => {
      database?.close();
      if (typeof window === 'undefined') return;
      window.sessionStorage.setItem(renewedKey, '1');
      window.location.reload();
    });
  }
  return database;
}
