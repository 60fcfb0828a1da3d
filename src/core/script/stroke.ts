/** One step of typed input. Keys are named as UI Events KeyboardEvent key Values names them. */
export type Stroke =
  /** Pressed and released. `key` is one grapheme, or a named key such as `Backspace`. */
  { readonly kind: 'key'; readonly key: string };

export type Script = readonly Stroke[];

/** Named keys that a script may press (UI Events KeyboardEvent key Values). */
export const namedKeys = [
  'Backspace',
  'Delete',
  'Tab',
  'Escape',
  'ArrowLeft',
  'ArrowRight',
  'Home',
  'End',
] as const;
export type NamedKey = (typeof namedKeys)[number];

export function isNamedKey(key: string): key is NamedKey {
  return namedKeys.some((name) => name === key);
}

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** Splits text into graphemes (Unicode Standard Annex 29), the unit in which a person types. */
export function graphemes(text: string): string[] {
  return Array.from(segmenter.segment(text), (part) => part.segment);
}

/** Most strokes that one script may have. */
export const maxStrokes = 500;
