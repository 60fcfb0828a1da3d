import type { Correction } from './correction';

/** Whose keyboards are asked about. */
export interface KeyboardSetup {
  /** Of the person who types, BCP 47. */
  readonly language: string;
  readonly corrections: readonly Correction[];
}
