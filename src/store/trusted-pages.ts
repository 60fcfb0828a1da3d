import { type OwnPage, pageKey } from '@/core/document/own-page';
import { refusalText } from '@/core/words/refusal-words';
import type { UkkoDatabase } from './database';

/** Whether a person wrote this page and its steps in this browser, or has confirmed them here. */
export async function isTrusted(database: UkkoDatabase, page: OwnPage): Promise<boolean> {
  return (await database.trustedPages.get(pageKey(page))) !== undefined;
}

export async function trustPage(database: UkkoDatabase, page: OwnPage): Promise<void> {
  await database.trustedPages.put({ key: pageKey(page) });
}

/** Why a page is not opened, in one sentence; null when it may be. */
export async function untrustedFault(database: UkkoDatabase, page: OwnPage | null): Promise<string | null> {
  if (page === null || (await isTrusted(database, page))) return null;
  return refusalText({ code: 'page not confirmed', address: page.address });
}
