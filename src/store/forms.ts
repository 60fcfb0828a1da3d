import { demoForms } from '@/core/demo/demo-forms';
import type { FormDocument, FormId } from '@/core/document/form-document';
import type { OwnPage } from '@/core/document/own-page';
import type { StoredForm, UkkoDatabase } from './database';

/** Puts the demo forms in on the first visit; a form that was changed or is there already is left alone. */
export async function ensureForms(database: UkkoDatabase): Promise<void> {
  await database.transaction('rw', database.forms, async () => {
    if ((await database.forms.count()) === 0) await restoreDemo(database);
  });
}

/** Puts the demo forms back as they shipped; the good one counts as changed last, so that it is the one shown. */
export async function restoreDemo(database: UkkoDatabase): Promise<void> {
  const now = Date.now();
  await database.forms.bulkPut(demoForms.map((form, index) => stored(form, now - index * 1000)));
}

function stored(form: FormDocument, at = Date.now()): StoredForm {
  return { ...form, changedAt: new Date(at).toISOString() };
}

export async function saveForm(database: UkkoDatabase, form: FormDocument): Promise<void> {
  await database.forms.put(stored(form));
}

export async function newForm(
  database: UkkoDatabase,
  markup: string,
  name: string,
  typing: FormDocument['typing'] = {},
  page?: OwnPage,
): Promise<FormId> {
  const id = crypto.randomUUID() as FormId;
  await database.forms.put(stored({ id, name, markup, typing, ...(page && { page }) }));
  return id;
}
