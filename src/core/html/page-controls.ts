import type { Control } from './field';
import { formOwners } from './form-owner';
import { elementsOf, parseMarkup } from './parse-markup';
import { controlsIn } from './read-form';

export interface PageControls {
  readonly controls: readonly Control[];
  /** Attributes of the page's forms, in tree order: what `Control.form` counts. */
  readonly forms: readonly Readonly<Record<string, string>>[];
}

const pages = new Map<string, PageControls>();
/** Most markup of which pages are kept, UTF-16 code units. */
const mostKept = 4_000_000;
let held = 0;

/** The controls and forms of a page, without notes; the same markup is asked about again and again. */
export function pageOf(html: string): PageControls {
  const known = pages.get(html);
  if (known) return known;
  const elements = [...elementsOf(parseMarkup(html).document)];
  const page: PageControls = {
    controls: controlsIn(elements).map(({ control }) => control),
    forms: formOwners(elements).forms.map(({ element }) =>
      Object.fromEntries(element.attrs.map(({ name, value }) => [name, value])),
    ),
  };
  held += html.length;
  if (held > mostKept) {
    pages.clear();
    held = html.length;
  }
  pages.set(html, page);
  return page;
}
