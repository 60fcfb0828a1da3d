/** A pattern as it is read: with the v flag unless another is given, and held against all of a text or against a part of it. */
export interface Pattern {
  readonly source: string;
  readonly flags?: 'v' | 'u';
  readonly match: 'whole' | 'part';
}
