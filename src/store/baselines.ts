import type { FormId } from '@/core/document/form-document';
import type { RunId } from '@/core/run/run';
import type { StoredRun, UkkoDatabase } from './database';

/** The sweep that is the baseline of a form; null when there is none. */
export async function baselineOf(database: UkkoDatabase, form: FormId): Promise<StoredRun | null> {
  const baseline = await database.baselines.get(form);
  return (baseline && (await database.runs.get(baseline.run))) ?? null;
}

/** Makes a sweep the baseline of its form; null takes the baseline away, and keeps the sweep. */
export async function setBaseline(database: UkkoDatabase, form: FormId, run: RunId | null): Promise<void> {
  if (run === null) await database.baselines.delete(form);
  else await database.baselines.put({ formId: form, run });
}
