import Papa from 'papaparse';
import { maxSamples, type Sample, type SamplesFault, type SamplesReading, sampleOfRow } from './sample';

/** Where a row stands in a table, UTF-16 code units; its end is that of its line without what ends the line. */
export interface RowPlace {
  readonly start: number;
  readonly end: number;
  /** By which rows end in the table; another one is part of a text. */
  readonly lineEnd: LineEnd;
}

export type LineEnd = '\n' | '\r\n' | '\r';

export type TableDelimiter = ',' | '\t';

/** Cells that are copied out of a spreadsheet stand between tabs; where columns are named and none does, a tab belongs to a text. */
export function delimiterOf(table: string): TableDelimiter {
  if (/^\s*"?text"?[^\S\t\r\n]*(?:,|[\r\n]|$)/i.test(table)) return ',';
  return table.includes('\t') ? '\t' : ',';
}

/** What is wrong in a table; `line` counts its rows from 1. */
export interface TableFault {
  readonly line: number;
  readonly fault: SamplesFault;
}

/**
 * Goes through the samples of a table, CSV (RFC 4180) or cells out of a spreadsheet, row by row, up to the first that is wrong.
 *
 * @param table without a byte order mark
 * @param take what is done with each; false ends it
 * @returns what is wrong; null where nothing is
 */
export function throughSamples(
  table: string,
  take: (sample: Sample, place: RowPlace) => boolean,
): TableFault | null {
  let wrong: TableFault | null = null;
  let line = 0;
  let samples = 0;
  let start = 0;
  Papa.parse<string[]>(mark + table, {
    delimiter: delimiterOf(table),
    skipEmptyLines: false,
    step: ({ data, errors, meta: { cursor, linebreak } }, parser) => {
      line += 1;
      const end = table.endsWith(linebreak, cursor) ? cursor - linebreak.length : cursor;
      const fault =
        faultIn(errors) ?? read(data, { start, end: Math.max(start, end), lineEnd: linebreak as LineEnd });
      start = cursor;
      if (fault !== null) wrong = fault === 'over' ? null : { line, fault };
      if (fault !== null) parser.abort();
    },
  });
  return wrong;

  function read(row: readonly string[], place: RowPlace): SamplesFault | 'over' | null {
    const one = sampleOfRow(row, line - 1);
    if (one.status === 'fault') return one.fault;
    if (one.status === 'none') return null;
    samples += 1;
    if (samples > maxSamples) return { code: 'too many samples', most: maxSamples };
    return take(one.sample, place) ? null : 'over';
  }
}

function faultIn(errors: readonly Papa.ParseError[]): SamplesFault | null {
  return errors.some(({ type }) => type === 'Quotes') ? { code: 'open quote' } : null;
}

/** A byte order mark, with which some programs begin a file. One is taken away by the parser, which would take that of a text. */
export const mark = '\ufeff';

export function withoutMark(table: string): string {
  return table.startsWith(mark) ? table.slice(mark.length) : table;
}

/**
 * Reads samples from CSV (RFC 4180), or from cells copied out of a spreadsheet, which stand between tabs.
 *
 * @param most how many are read: with that many, what comes behind is not looked at
 */
export function readSamples(table: string, most = Number.POSITIVE_INFINITY): SamplesReading {
  const samples: Sample[] = [];
  const wrong = most > 0 ? throughSamples(withoutMark(table), (sample) => samples.push(sample) < most) : null;
  return wrong ? { status: 'fault', ...wrong } : { status: 'read', samples };
}

/** So many are tried where findings and checks go by them; the Typing view tries them all. */
const mostTried = 2000;

/**
 * The first of a table of samples, for what need not try them all; none where one of them cannot be read.
 */
export function firstSamples(table: string | undefined, most = mostTried): readonly Sample[] {
  const reading = readSamples(table ?? '', most);
  return reading.status === 'read' ? reading.samples : [];
}

/** Samples as CSV; what it writes, `readSamples` reads back as the same. */
export function writeSamples(samples: readonly Sample[]): string {
  return Papa.unparse(
    { fields: ['text', 'expected'], data: samples.map(({ text, expected }) => [text, expected]) },
    { newline: '\n', quotes: [true, false], header: true },
  );
}
