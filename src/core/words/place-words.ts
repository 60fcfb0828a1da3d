import type { FormDocument } from '../document/form-document';
import type { FindingPlace } from '../finding/finding-place';

/** Where a finding is: by line in markup that somebody wrote, by what leads to the element in a page that a script may have made. */
export function placeText(
  { line, column, selector }: FindingPlace,
  { page }: Pick<FormDocument, 'page'>,
): string {
  return page && selector !== null ? selector : `line ${line}, column ${column}`;
}
