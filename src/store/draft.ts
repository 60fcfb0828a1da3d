import type { FormDocument } from '@/core/form/form-document';
import type { UkkoDatabase } from './database';
import { saveForm } from './forms';

/**
 * The last edit of a page that is going away. A database does not finish its work then; this storage does, at once.
 * It holds one form for the moment between two pages, no more.
 */
const key = 'ukko-unsaved-form';

export function leaveDraft(form: FormDocument): void {
  try {
    window.localStorage.setItem(key, JSON.stringify(form));
  } catch {
    // Full or forbidden: the edit of the last quarter of a second is all that can be lost.
  }
}

/** Saves what an earlier page left, if it left anything. */
export async function takeDraft(database: UkkoDatabase): Promise<void> {
  const text = window.localStorage.getItem(key);
  if (text === null) return;
  window.localStorage.removeItem(key);
  await saveForm(database, JSON.parse(text) as FormDocument);
}
