import type { FormDocument, FormId } from '@/core/document/form-document';
import { type OwnPage, pageAsRead } from '@/core/document/own-page';
import { failureText } from '@/core/words/failure-words';
import { pageFaultText } from '@/core/words/page-fault-words';
import { EngineLost } from '@/engines/api/engine';
import { ownPageFault, readOwnPage } from '@/engines/own-page';

/** The form of a page on a dev server, as an engine reads it. @returns a sentence where it cannot be read */
export async function readFormPage(page: OwnPage, signal: AbortSignal): Promise<FormDocument | string> {
  const fault = await ownPageFault(page);
  if (fault) return pageFaultText(fault);
  try {
    const { forms } = await readOwnPage(page, signal);
    const form = forms[page.form];
    if (form) {
      const { title, markup } = form;
      return { id: page.address as FormId, name: title, markup, typing: {}, page: pageAsRead(page, form) };
    }
    return forms.length === 0
      ? `${page.address} shows no field. Say with --steps what has to be done before the form is there.`
      : `${page.address} has ${forms.length} forms, numbered from 0. Choose one with --form.`;
  } catch (error) {
    if (error instanceof EngineLost) return failureText(error.failure);
    throw error;
  }
}
