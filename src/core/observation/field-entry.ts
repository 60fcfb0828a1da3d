import { trialReasons } from '../document/trial-value';
import type { FieldId } from '../html/field';

/** How a value came into a field. By script: no event of a person's own comes with it. */
export const entryRoutes = ['keys', 'pointer', 'file chooser', 'script', 'already there'] as const;
export type EntryRoute = (typeof entryRoutes)[number];

/** Why a person cannot enter anything into a field. */
export const leftReasons = ['no focus', 'not in page', 'read only', 'disabled', ...trialReasons] as const;
export type LeftReason = (typeof leftReasons)[number];

/** What came of entering a value into a field of a page of the developer's own, as a person does. */
export type FieldEntry =
  | {
      readonly field: FieldId;
      readonly status: 'entered';
      readonly by: EntryRoute;
      /** As a script reads a value. */
      readonly tried: string;
      /** The value once the field was left; the words beside it where its value is not what was chosen. */
      readonly became: string;
    }
  | { readonly field: FieldId; readonly status: 'left'; readonly why: LeftReason };

/** True where the page made another value of what was entered. */
export function isRewritten(entry: FieldEntry): boolean {
  return entry.status === 'entered' && entry.by !== 'already there' && entry.became !== entry.tried;
}
