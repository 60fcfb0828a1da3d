import type { Misfit } from './misfit';

/** What is asked of the server; the words of each say what is not done when it cannot be read. */
export const questionNames = [
  'keyboard',
  'page of one’s own',
  'sending',
  'slow text',
  'device page',
  'guards',
  'warming',
] as const;
export type QuestionName = (typeof questionNames)[number];

/** Why what the app asks of its server cannot be read. */
export interface QuestionFault {
  readonly question: QuestionName;
  readonly misfit: Misfit;
}

/** Why a form cannot be swept. Lengths are UTF-16 code units. */
export type AskingFault =
  | { readonly code: 'no markup' }
  | { readonly code: 'markup too long'; readonly most: number }
  | { readonly code: 'no fields' }
  | { readonly code: 'too many fields'; readonly fields: number; readonly most: number };

/** Why a sweep is refused. */
export type SweepFault =
  | AskingFault
  | { readonly code: 'misfit'; readonly misfit: Misfit }
  | { readonly code: 'two targets' };

/** Why an earlier run cannot be gone on with: it says nothing of what is to be asked now. */
export type ResumeFault = 'another form' | 'another language' | 'another Ukko';
