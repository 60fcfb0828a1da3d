import type { QuestionContext } from './question-context';

/** The form as it was at first. A page of the developer's own may keep in its scripts what was entered, and put the form away once it was sent. */
export async function anew({ page, asking }: Pick<QuestionContext, 'page' | 'asking'>): Promise<void> {
  if (asking.page) await page.reload();
  else await page.probe('reset');
}
