import { GaveUp } from '../regexp/budget';
import type { UnworkedCode } from '../regexp/unworked';
import type { ValidityFlag } from '../standard/validity-flags';
import type { Guard } from './guard';

/** What becomes of a text: it is let through, more of it could be, or nothing that begins with it ever is. */
export const verdicts = ['accepted', 'unfinished', 'refused'] as const;
export type Verdict = (typeof verdicts)[number];

/** The same, or that a rule takes too many steps over the text to be worked out. */
export const judged = [...verdicts, 'not worked out'] as const;
export type Judged = (typeof judged)[number];

/** What does not accept a text, or why that was not worked out. Its words are made in `words/`. */
export type Objection =
  | { readonly code: 'own constraint'; readonly flag: ValidityFlag }
  | { readonly code: 'guard'; readonly guard: Guard }
  | { readonly code: 'not worked out'; readonly why: UnworkedCode };

export interface Judgement {
  readonly verdict: Judged;
  /** Empty for a text that is accepted. */
  readonly by: readonly Objection[];
}

/** What `judge` says, or that it was given up. */
export function judgementOf(judge: () => Judgement): Judgement {
  try {
    return judge();
  } catch (error) {
    if (error instanceof GaveUp)
      return { verdict: 'not worked out', by: [{ code: 'not worked out', why: error.code }] };
    throw error;
  }
}
