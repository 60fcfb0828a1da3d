import type { FormDocument } from '@/core/document/form-document';
import type { UkkoDatabase } from './database';
import { saveForm } from './forms';
import { isOutOfRoom } from './room';

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

/**
 * Saves what an earlier page left, if it left anything.
 * @returns the form that it left, where there is no room to save it; it stays left until there is
 */
export async function takeDraft(database: UkkoDatabase): Promise<FormDocument | null> {
  const text = window.localStorage.getItem(key);
  if (text === null) return null;
  const form = JSON.parse(text) as FormDocument;
  try {
    await saveForm(database, form);
  } catch (error) {
    if (isOutOfRoom(error)) return form;
    throw error;
  }
  window.localStorage.removeItem(key);
  return null;
}
