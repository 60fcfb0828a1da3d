import { isAbout, type ProjectDecision } from '@/core/finding/decisions-file';
import type { StoredDecision, UkkoDatabase } from './database';

/** What was decided about the forms that are kept here, as a project keeps it beside its code. */
export async function projectDecisions(database: UkkoDatabase): Promise<ProjectDecision[]> {
  const [forms, decisions] = await Promise.all([database.forms.toArray(), database.decisions.toArray()]);
  const names = new Map(forms.map(({ id, name }) => [id, name]));
  return decisions.flatMap(({ formId, finding, kind, reason, at }) => {
    const form = names.get(formId);
    return form === undefined ? [] : [{ form, finding, kind, reason, at }];
  });
}

/** How many decisions of a file hold here now, and how many are about forms that are not here. */
export interface TakenDecisions {
  readonly taken: number;
  readonly elsewhere: number;
}

/** Takes decisions in, for every form that they are about; of two on one finding the later one holds. */
export async function takeDecisions(
  database: UkkoDatabase,
  decisions: readonly ProjectDecision[],
): Promise<TakenDecisions> {
  return database.transaction('rw', database.forms, database.decisions, async () => {
    const forms = await database.forms.toArray();
    const here = await database.decisions.toArray();
    const keyOf = ({ formId, finding }: Pick<StoredDecision, 'formId' | 'finding'>) => `${formId} ${finding}`;
    const since = new Map(here.map((one) => [keyOf(one), one.at]));
    const meant = decisions.flatMap((decision) => {
      const { form: _, ...own } = decision;
      return forms.filter(({ name }) => isAbout(decision, name)).map(({ id }) => ({ ...own, formId: id }));
    });
    const later = meant.filter((one) => (since.get(keyOf(one)) ?? '') < one.at);
    await database.decisions.bulkPut(later);
    return {
      taken: later.length,
      elsewhere: decisions.filter((one) => !forms.some(({ name }) => isAbout(one, name))).length,
    };
  });
}
