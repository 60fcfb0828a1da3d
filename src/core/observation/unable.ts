import type { ColourScheme, Language } from '../target/variant';

/** What was asked of an engine's setup and could not be done, as its page told it. */
export type Unable =
  /** It asks pages for these languages. */
  | { readonly code: 'language'; readonly wanted: Language; readonly asksFor: readonly string[] }
  /** Its dates and numbers are those of this locale. */
  | { readonly code: 'locale'; readonly wanted: Language; readonly is: string }
  /** It speaks English; a Debian package may bring the other words. */
  | { readonly code: 'words'; readonly wanted: Language; readonly package: string | null }
  | { readonly code: 'colour scheme'; readonly wanted: ColourScheme }
  /** Factors: 2 is 200 %. */
  | { readonly code: 'zoom'; readonly wanted: number; readonly is: number }
  /** CSS px. */
  | { readonly code: 'width'; readonly wanted: number; readonly is: number }
  /** A file of before version 4 says what this Ukko does not know. */
  | { readonly code: 'older'; readonly text: string };
