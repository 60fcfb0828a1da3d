/** Why a line of a script cannot be read. */
export type ScriptFault =
  | { readonly code: 'no statement'; readonly word: string }
  /** A quote is not closed, or what stands between quotes cannot be read. */
  | { readonly code: 'no text' }
  /** The statement takes so many texts; `example` shows it. */
  | { readonly code: 'texts expected'; readonly count: number; readonly example: string }
  | { readonly code: 'control characters' }
  | { readonly code: 'nothing more expected' }
  | { readonly code: 'no key' | 'no count' | 'no caret' | 'no selection' | 'no way to focus' }
  | { readonly code: 'no pause' /** ms */; readonly most: number }
  | { readonly code: 'too many strokes'; readonly most: number };
