import { inertMarkup } from './inert-markup';

/** A page that shows a form to a target: the inert markup, with a doctype when the author wrote none. */
export function pageUnderTest(markup: string): string {
  const inert = inertMarkup(markup);
  return /^\s*(?:<!--[\s\S]*?-->\s*)*<!doctype/i.test(inert) ? inert : `<!doctype html>${inert}`;
}
