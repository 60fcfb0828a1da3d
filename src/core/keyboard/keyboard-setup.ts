import type { Correction } from './correction';

/** Whose keyboards are asked about. */
export interface KeyboardSetup {
  /** Of the person who types, BCP 47; a field whose page states another is asked about in that. */
  readonly language: string;
  /** Languages in which findings ask about fields whose page states none, besides: those of a line-up. Not given: none. */
  readonly alsoIn?: readonly string[];
  readonly corrections: readonly Correction[];
}
