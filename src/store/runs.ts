import Dexie from 'dexie';
import type { FormDocument, FormId } from '@/core/document/form-document';
import { grouped } from '@/core/grouped';
import type { Picture, PictureId } from '@/core/observation/picture';
import type { Observation } from '@/core/questions/observation';
import { answersOf } from '@/core/run/answers';
import type { Run, RunId } from '@/core/run/run';
import type { LineUp } from '@/core/target/line-up';
import type { TargetId } from '@/core/target/target';
import { ukkoVersion } from '@/core/version';
import type { StoredRun, UkkoDatabase } from './database';

/** Starts a run of a form as it is now. */
export async function beginRun(
  database: UkkoDatabase,
  form: FormDocument,
  lineUp: LineUp,
): Promise<StoredRun> {
  const run: StoredRun = {
    id: crypto.randomUUID() as RunId,
    form,
    formId: form.id,
    lineUp,
    ukko: ukkoVersion,
    startedAt: new Date().toISOString(),
    finishedAt: null,
  };
  await database.runs.put(run);
  return run;
}

/** Keeps answers and pictures as they come; a later answer to the same question replaces the earlier one. */
export async function keep(
  database: UkkoDatabase,
  run: RunId,
  observations: readonly Observation[],
  pictures: readonly Picture[],
): Promise<void> {
  await database.transaction('rw', database.answers, database.pictures, async () => {
    await database.pictures.bulkPut(pictures);
    await keepAnswers(database, run, observations);
  });
}

/** Answers alone, whose pictures are there already. */
export async function keepAnswers(
  database: UkkoDatabase,
  run: RunId,
  observations: readonly Observation[],
): Promise<void> {
  const fresh = [...grouped(observations, ({ target }) => target)];
  await database.transaction('rw', database.answers, async () => {
    const kept = await database.answers.bulkGet(fresh.map(([target]): [RunId, TargetId] => [run, target]));
    await database.answers.bulkPut(
      fresh.map(([target, answers], index) => {
        const together = answersOf([...(kept[index]?.observations ?? []), ...answers]);
        return { run, target, observations: [...together.values()] };
      }),
    );
  });
}

export async function finishRun(database: UkkoDatabase, run: RunId): Promise<void> {
  await database.runs.update(run, { finishedAt: new Date().toISOString() });
}

/** The runs of a form, the latest first. */
export function runsOf(database: UkkoDatabase, form: FormId): Promise<StoredRun[]> {
  return database.runs
    .where('[formId+startedAt]')
    .between([form, Dexie.minKey], [form, Dexie.maxKey])
    .reverse()
    .toArray();
}

export async function observationsOf(database: UkkoDatabase, run: RunId): Promise<Observation[]> {
  const rows = await database.answers.where('run').equals(run).toArray();
  return rows.flatMap(({ observations }) => observations);
}

/** The whole run with its pictures, as a file holds it. Null when it is gone. */
export async function loadRun(database: UkkoDatabase, id: RunId): Promise<Run | null> {
  const stored = await database.runs.get(id);
  if (!stored) return null;
  const observations = await observationsOf(database, id);
  const wanted = [...new Set(observations.flatMap(picturesIn))];
  const pictures = await database.pictures.bulkGet(wanted);
  const { formId: _, ...run } = stored;
  return {
    ...run,
    observations,
    pictures: pictures.flatMap((picture) => picture ?? []),
  };
}

/** Puts a run from a file beside the others; the form that it was made of comes along unless it is there already. */
export async function addRun(database: UkkoDatabase, run: Run): Promise<void> {
  const { observations, pictures, ...rest } = run;
  await database.transaction('rw', database.tables, async () => {
    if (!(await database.forms.get(run.form.id)))
      await database.forms.put({ ...run.form, changedAt: new Date().toISOString() });
    await database.runs.put({ ...rest, formId: run.form.id });
    await keep(database, run.id, observations, pictures);
  });
}

/** Deletes a run and the pictures that no other run shows. */
export async function deleteRun(database: UkkoDatabase, run: RunId): Promise<void> {
  await database.transaction('rw', database.tables, async () => {
    await database.answers.where('run').equals(run).delete();
    await database.runs.delete(run);
    await database.baselines.where('run').equals(run).delete();
    const used = new Set<PictureId>();
    await database.answers.each(({ observations }) => {
      for (const picture of observations.flatMap(picturesIn)) used.add(picture);
    });
    const ids = await database.pictures.toCollection().primaryKeys();
    await database.pictures.bulkDelete(ids.filter((id) => !used.has(id)));
  });
}

/** Deletes everything that Ukko keeps in this browser. */
export async function deleteEverything(database: UkkoDatabase): Promise<void> {
  await database.transaction('rw', database.tables, async () => {
    await Promise.all(database.tables.map((table) => table.clear()));
  });
}

/** The pictures that an answer shows. */
export function picturesIn({ outcome }: Observation): PictureId[] {
  if (outcome.status !== 'answered') return [];
  const { facts } = outcome;
  if ('plans' in facts) return facts.plans.flatMap(({ picture }) => picture ?? []);
  return 'picture' in facts && facts.picture ? [facts.picture] : [];
}
