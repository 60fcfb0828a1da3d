import { type Verdict, verdicts } from './verdict';

/** A text with the verdict that is expected of it. */
export interface Sample {
  readonly text: string;
  readonly expected: Verdict;
}

/** Most samples of one field. */
export const maxSamples = 200_000;

/** Why a line of a table of samples cannot be read. */
export type SamplesFault =
  | { readonly code: 'no verdict'; readonly word: string }
  | { readonly code: 'open quote' }
  | { readonly code: 'too many samples'; readonly most: number };

export type SamplesReading =
  | { readonly status: 'read'; readonly samples: readonly Sample[] }
  /** `line` counts from 1. */
  | { readonly status: 'fault'; readonly line: number; readonly fault: SamplesFault };

/**
 * Samples from the rows of a table: text, then the expected verdict, which is `accepted` where it is left out. A first row
 * that names its columns is left out.
 */
export function samplesFromRows(rows: readonly (readonly string[])[]): SamplesReading {
  const samples: Sample[] = [];
  for (const [index, row] of rows.entries()) {
    const [text = '', asked = ''] = row;
    if (row.length === 0 || (row.length === 1 && text === '')) continue;
    if (index === 0 && text.trim().toLowerCase() === 'text') continue;
    const word = asked.trim().toLowerCase();
    const expected = word === '' ? 'accepted' : verdicts.find((verdict) => verdict === word);
    const line = index + 1;
    if (!expected) return { status: 'fault', line, fault: { code: 'no verdict', word: asked } };
    samples.push({ text, expected });
    if (samples.length > maxSamples)
      return { status: 'fault', line, fault: { code: 'too many samples', most: maxSamples } };
  }
  return { status: 'read', samples };
}
