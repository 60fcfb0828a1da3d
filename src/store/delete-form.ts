import type { FormId } from '@/core/document/form-document';
import type { UkkoDatabase } from './database';
import { deleteRun, runsOf } from './runs';

/** Deletes a form with all that was asked, decided and chosen for it. */
export async function deleteForm(database: UkkoDatabase, id: FormId): Promise<void> {
  await database.transaction('rw', database.tables, async () => {
    for (const run of await runsOf(database, id)) await deleteRun(database, run.id);
    await database.decisions.where({ formId: id }).delete();
    await database.baselines.delete(id);
    await database.lineUps.delete(id);
    await database.forms.delete(id);
  });
}
