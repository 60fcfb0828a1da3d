import { inertMarkup } from './inert-markup';
import { parseMarkup } from './parse-markup';

/** A page that shows a form to a target: the inert markup, with a doctype when the author wrote none. */
export function pageUnderTest(markup: string): string {
  const inert = inertMarkup(markup);
  const { document: page } = parseMarkup(inert);
  const hasDoctype = page.childNodes.some(({ nodeName }) => nodeName === '#documentType');
  return hasDoctype ? inert : `<!doctype html>${inert}`;
}
