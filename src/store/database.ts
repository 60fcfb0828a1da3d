import Dexie, { type EntityTable, type Table } from 'dexie';
import type { Decision, FindingId } from '@/core/finding/finding';
import type { FormDocument, FormId } from '@/core/form/form-document';
import type { Correction } from '@/core/keyboard/correction';
import type { Observation, ObservationKey } from '@/core/observation/observation';
import type { PictureId } from '@/core/observation/picture';
import type { Run, RunId } from '@/core/observation/run';
import { lineUpFromVersion1, observationFromVersion1 } from '@/core/observation/run-file-1';
import type { LineUp } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';

export interface StoredForm extends FormDocument {
  /** ISO 8601, UTC. */
  readonly changedAt: string;
}

/** A run without its answers and pictures, which have tables of their own. */
export type StoredRun = Omit<Run, 'observations' | 'pictures'> & { readonly formId: FormId };

export interface StoredObservation {
  readonly run: RunId;
  readonly key: ObservationKey;
  readonly observation: Observation;
}

export interface StoredPicture {
  readonly id: PictureId;
  readonly width: number;
  readonly height: number;
  readonly blob: Blob;
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

/** What Ukko keeps in this browser. Pictures are shared between runs by their content. */
export class UkkoDatabase extends Dexie {
  declare forms: EntityTable<StoredForm, 'id'>;
  declare runs: EntityTable<StoredRun, 'id'>;
  declare observations: Table<StoredObservation, [RunId, ObservationKey]>;
  declare pictures: EntityTable<StoredPicture, 'id'>;
  declare lineUps: EntityTable<StoredLineUp, 'formId'>;
  /** Targets that the person made; those that ship are in the core. */
  declare targets: EntityTable<Target, 'id'>;
  /** What the person decided about findings, by form. */
  declare decisions: Table<StoredDecision, [FormId, FindingId]>;
  /** The sweep with which the others of a form are compared. */
  declare baselines: EntityTable<StoredBaseline, 'formId'>;
  /** What the person said of keyboards, for all forms. */
  declare corrections: EntityTable<Correction, 'key'>;

  constructor(name = 'ukko') {
    super(name);
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

let database: UkkoDatabase | null = null;

/** The one database of this window; made on first use, because a server has none. */
export function openDatabase(): UkkoDatabase {
  if (!database) {
    database = new UkkoDatabase();
    // A newer Ukko in another tab waits for this one to let go; what is unsaved here is left as a draft on the way out.
    database.on('versionchange', () => {
      database?.close();
      window.location.reload();
    });
  }
  return database;
}
