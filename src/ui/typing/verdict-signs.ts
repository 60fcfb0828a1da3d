import type { Judged } from '@/core/guard/verdict';

/** A shape for each verdict, beside its word or in its place. */
export const verdictSigns: Readonly<Record<Judged, string>> = {
  accepted: '✓',
  unfinished: '…',
  refused: '✕',
  'not worked out': '?',
};
