import type { Language } from '../target/variant';
import type { Correction } from './correction';

/** Whose keyboards are asked about. */
export interface KeyboardSetup {
  /** Of the person who types. */
  readonly language: Language;
  readonly corrections: readonly Correction[];
}
