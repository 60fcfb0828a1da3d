/** What becomes of a text: it is let through, more of it could be, or nothing that begins with it ever is. */
export const verdicts = ['accepted', 'unfinished', 'refused'] as const;
export type Verdict = (typeof verdicts)[number];

export interface Judgement {
  readonly verdict: Verdict;
  /** Who does not accept it: flags of the field's own validity, and guards in words. */
  readonly by: readonly string[];
}
