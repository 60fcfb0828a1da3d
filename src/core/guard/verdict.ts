import { GaveUp } from '../regexp/budget';

/** What becomes of a text: it is let through, more of it could be, or nothing that begins with it ever is. */
export const verdicts = ['accepted', 'unfinished', 'refused'] as const;
export type Verdict = (typeof verdicts)[number];

/** The same, or that a rule takes too many steps over the text to be worked out. */
export const judged = [...verdicts, 'not worked out'] as const;
export type Judged = (typeof judged)[number];

export interface Judgement {
  readonly verdict: Judged;
  /** Who does not accept it: flags of the field's own validity, and guards in words; or why it was not worked out. */
  readonly by: readonly string[];
}

/** What `judge` says, or that it was given up. */
export function judgementOf(judge: () => Judgement): Judgement {
  try {
    return judge();
  } catch (error) {
    if (error instanceof GaveUp) return { verdict: 'not worked out', by: [error.message] };
    throw error;
  }
}
