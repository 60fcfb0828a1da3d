import type { FormId } from '../document/form-document';
import type { Belongings } from './workspace';

type Form = Belongings['forms'][number];

/**
 * What comes to what is here, so that nothing of either is lost: a form that is another one under the same id comes as a
 * copy; of two decisions on one finding the later one holds; what a person chose here (line-up, baseline, targets,
 * corrections) stays, and comes where nothing was chosen.
 * @param newId gives the id of a copy
 */
export function additionsFrom(here: Belongings, there: Belongings, newId: () => FormId): Belongings {
  const decided = new Map(here.decisions.map((one) => [keyOf(one), one]));
  return {
    forms: addedForms(here.forms, there.forms, newId),
    decisions: there.decisions.filter((one) => (decided.get(keyOf(one))?.at ?? '') < one.at),
    lineUps: without(there.lineUps, here.lineUps, ({ formId }) => formId),
    baselines: without(there.baselines, here.baselines, ({ formId }) => formId),
    targets: without(there.targets, here.targets, ({ id }) => id),
    corrections: without(there.corrections, here.corrections, ({ key }) => key),
  };
}

function addedForms(here: readonly Form[], there: readonly Form[], newId: () => FormId): Form[] {
  const known = new Set(here.map(contentOf));
  const ids = new Set(here.map(({ id }) => id));
  return there.flatMap((form) => {
    if (!ids.has(form.id)) return [form];
    if (known.has(contentOf(form))) return [];
    return [{ ...form, id: newId(), name: `${form.name} (from a workspace)` }];
  });
}

/** What a form is, whatever it is called. */
function contentOf({ markup, typing }: Form): string {
  const plans = Object.entries(typing).sort(([a], [b]) => (a < b ? -1 : 1));
  return JSON.stringify([markup, plans]);
}

function keyOf({ formId, finding }: Belongings['decisions'][number]): string {
  return JSON.stringify([formId, finding]);
}

function without<Item>(
  items: readonly Item[],
  known: readonly Item[],
  keyOf: (item: Item) => string,
): Item[] {
  const keys = new Set(known.map(keyOf));
  return items.filter((item) => !keys.has(keyOf(item)));
}
