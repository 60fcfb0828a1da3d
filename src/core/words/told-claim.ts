/** The three lines of a finding, and what else belongs to it. */
export interface ToldClaim {
  /** What happens, with the value that proves it; reads alone in a list. */
  readonly says: string;
  /** What that does to the person. */
  readonly why: string;
  /** What to change; null where only the team can tell. */
  readonly remedy: string | null;
  /** A sentence each. */
  readonly details?: readonly string[];
}
