import Papa from 'papaparse';
import { type Sample, type SamplesReading, samplesFromRows } from './sample';

/** Reads samples from CSV (RFC 4180), or from cells copied out of a spreadsheet, which stand between tabs. */
export function readSamples(text: string): SamplesReading {
  const parsed = Papa.parse<string[]>(text, {
    delimiter: text.includes('\t') ? '\t' : ',',
    skipEmptyLines: false,
  });
  const fault = parsed.errors.find(({ type }) => type === 'Quotes');
  if (fault) return { status: 'fault', line: (fault.row ?? 0) + 1, fault: { code: 'open quote' } };
  return samplesFromRows(parsed.data);
}

/** So many are tried where findings and checks go by them; the Typing view tries them all. */
const mostTried = 2000;

/**
 * The first of a table of samples, for what need not try them all; none of one that cannot be read.
 */
export function firstSamples(table: string | undefined): readonly Sample[] {
  const reading = readSamples(table ?? '');
  return reading.status === 'read' ? reading.samples.slice(0, mostTried) : [];
}

/** Samples as CSV; what it writes, `readSamples` reads back as the same. */
export function writeSamples(samples: readonly Sample[]): string {
  return Papa.unparse(
    { fields: ['text', 'expected'], data: samples.map(({ text, expected }) => [text, expected]) },
    { newline: '\n', quotes: [true, false], header: true },
  );
}
