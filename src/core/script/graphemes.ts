const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** Splits text into graphemes (Unicode Standard Annex 29), the unit in which a person types. */
export function graphemes(text: string): string[] {
  return Array.from(segmenter.segment(text), (part) => part.segment);
}
