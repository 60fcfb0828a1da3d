import { attribute, type Field } from '../html/field';

/** What an app shows before and behind a text that is no part of it. */
export interface Affixes {
  readonly prefix: string;
  readonly suffix: string;
}

/** Most code points of each. */
const most = 20;

/**
 * Reads them off `data-prefix` and `data-suffix` (HTML Standard, "Embedding custom non-visible data with the data-* attributes"):
 * a page has no attribute of its own for them, and what stands beside a control in the markup may be anything.
 */
export function affixesOf({ controls: [control] }: Field): Affixes {
  const cut = (name: string) =>
    Array.from(attribute(control, name) ?? '')
      .slice(0, most)
      .join('');
  return { prefix: cut('data-prefix'), suffix: cut('data-suffix') };
}
