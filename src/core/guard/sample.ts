import { type Verdict, verdicts } from './verdict';

/** A text with the verdict that is expected of it. */
export interface Sample {
  readonly text: string;
  readonly expected: Verdict;
}

/** Most samples of one field. */
export const maxSamples = 1_000_000;

/** Why a line of a table of samples cannot be read. */
export type SamplesFault =
  | { readonly code: 'no verdict'; readonly word: string }
  | { readonly code: 'open quote' }
  | { readonly code: 'too many samples'; readonly most: number };

export type SamplesReading =
  | { readonly status: 'read'; readonly samples: readonly Sample[] }
  /** `line` counts from 1. */
  | { readonly status: 'fault'; readonly line: number; readonly fault: SamplesFault };

/** What a row of a table of samples is; none where it is empty or names the columns. */
export type SampleRow =
  | { readonly status: 'sample'; readonly sample: Sample }
  | { readonly status: 'none' }
  | { readonly status: 'fault'; readonly fault: SamplesFault };

/**
 * Text, then the expected verdict, which is `accepted` where it is left out.
 *
 * @param index of the row, from 0: the first one may name its columns
 */
export function sampleOfRow(row: readonly string[], index: number): SampleRow {
  const [text = '', asked = ''] = row;
  if (row.length === 0 || (row.length === 1 && text === '')) return { status: 'none' };
  if (index === 0 && text.trim().toLowerCase() === 'text') return { status: 'none' };
  const word = asked.trim().toLowerCase();
  const expected = word === '' ? 'accepted' : verdicts.find((verdict) => verdict === word);
  return expected
    ? { status: 'sample', sample: { text, expected } }
    : { status: 'fault', fault: { code: 'no verdict', word: asked } };
}
