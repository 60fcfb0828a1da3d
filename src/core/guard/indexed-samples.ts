import Papa from 'papaparse';
import { digestOf } from '../digest';
import { maxSamples, type Sample, sampleOfRow } from './sample';
import {
  delimiterOf,
  type LineEnd,
  mark,
  type TableDelimiter,
  type TableFault,
  throughSamples,
  withoutMark,
} from './sample-table';
import { type Verdict, verdicts } from './verdict';

/**
 * Samples as places in their table: a million of them are three lists of numbers, which a worker hands over without copying, and each
 * text is read when it comes into sight. Made by `indexSamples`, never changed.
 */
export interface IndexedSamples {
  readonly table: string;
  readonly delimiter: TableDelimiter;
  readonly lineEnd: LineEnd;
  /** By sample, where its row begins and ends in `table`, UTF-16 code units. */
  readonly starts: Uint32Array<ArrayBuffer>;
  readonly ends: Uint32Array<ArrayBuffer>;
  /** By sample, the index of what is expected in `verdicts`. */
  readonly expected: Uint8Array<ArrayBuffer>;
  /** The same for the same texts in the same order, whatever is expected of them. */
  readonly texts: string;
}

type Numbers = Uint32Array<ArrayBuffer> | Uint8Array<ArrayBuffer>;

export type IndexReading =
  | { readonly status: 'read'; readonly samples: IndexedSamples }
  | ({ readonly status: 'fault' } & TableFault);

/** So many texts are digested in one go. */
const inOneGo = 4096;

/** @param progress hears how many code units are read, row by row */
export function indexSamples(written: string, progress: (done: number) => unknown = () => {}): IndexReading {
  const table = withoutMark(written);
  const starts: number[] = [];
  const ends: number[] = [];
  const expected: number[] = [];
  const texts = textsDigest();
  let lineEnd: LineEnd = '\n';
  const wrong = throughSamples(table, (sample, { start, end, lineEnd: used }) => {
    lineEnd = used;
    starts.push(start);
    ends.push(end);
    expected.push(verdicts.indexOf(sample.expected));
    texts.add(sample.text);
    progress(end);
    return true;
  });
  if (wrong) return { status: 'fault', ...wrong };
  return {
    status: 'read',
    samples: {
      table,
      delimiter: delimiterOf(table),
      lineEnd,
      starts: Uint32Array.from(starts),
      ends: Uint32Array.from(ends),
      expected: Uint8Array.from(expected),
      texts: texts.digest(),
    },
  };
}

function textsDigest() {
  let digest = '';
  let waiting: string[] = [];
  const take = () => {
    // As JSON, so that no two lists of texts become one text.
    digest = digestOf(digest + JSON.stringify(waiting));
    waiting = [];
  };
  return {
    add(text: string) {
      if (waiting.push(text) === inOneGo) take();
    },
    digest() {
      take();
      return digest;
    },
  };
}

export function sampleCount({ expected }: IndexedSamples): number {
  return expected.length;
}

/** One of them, from 0; null where there are not so many. */
export function sampleAt(
  { table, delimiter, lineEnd, starts, ends }: IndexedSamples,
  at: number,
): Sample | null {
  const [start, end] = [starts[at], ends[at]];
  if (start === undefined || end === undefined) return null;
  // With the end of its line: what stands behind the last quote is read by it.
  const behind = table.startsWith(lineEnd, end) ? lineEnd : '';
  const { data } = Papa.parse<string[]>(mark + table.slice(start, end) + behind, {
    delimiter,
    newline: lineEnd,
  });
  // No row but the first of a table may name its columns.
  const read = sampleOfRow(data[0] ?? [''], 1);
  return read.status === 'sample' ? read.sample : null;
}

/** With another verdict expected of one. */
export function withExpected(samples: IndexedSamples, at: number, verdict: Verdict): IndexedSamples {
  const sample = sampleAt(samples, at);
  if (!sample) return samples;
  return {
    ...withRow(samples, at, rowOf({ ...sample, expected: verdict }, samples.delimiter)),
    expected: samples.expected.map((code, index) => (index === at ? verdicts.indexOf(verdict) : code)),
  };
}

function rowOf({ text, expected }: Sample, delimiter: TableDelimiter): string {
  return Papa.unparse([[text, expected]], { delimiter, quotes: [true, false] });
}

/** Without one of them. What it leaves is an empty line, which is no sample. */
export function withoutSample(samples: IndexedSamples, at: number): IndexedSamples {
  if (at < 0 || at >= sampleCount(samples)) return samples;
  const { starts, ends, expected, ...left } = withRow(samples, at, '');
  const others = <List extends Numbers>(list: List) => list.filter((_, index) => index !== at) as List;
  return {
    ...left,
    starts: others(starts),
    ends: others(ends),
    expected: others(expected),
    texts: `${samples.texts} without ${at}`,
  };
}

/**
 * With the samples of another table behind them, written as theirs is written; or what is wrong in the other one.
 *
 * @param onlyNew leaves out texts that are there
 * @param progress hears how many code units of the other one are read
 */
export function withTable(
  samples: IndexedSamples,
  more: string,
  onlyNew: boolean,
  progress?: (done: number) => unknown,
): IndexReading {
  const reading = indexSamples(more, progress);
  if (reading.status === 'fault') return reading;
  if (sampleCount(samples) === 0 && !onlyNew) return reading;
  const known = new Set(onlyNew ? textsOf(samples) : []);
  const added = [...samplesOf(reading.samples)].filter(({ text }) => !known.has(text));
  const count = sampleCount(samples) + added.length;
  if (count > maxSamples)
    return {
      status: 'fault',
      line: maxSamples - sampleCount(samples) + 1,
      fault: { code: 'too many samples', most: maxSamples },
    };
  return { status: 'read', samples: added.length === 0 ? samples : withRows(samples, added) };
}

function* samplesOf(samples: IndexedSamples): Generator<Sample> {
  for (let at = 0; at < sampleCount(samples); at++) {
    const sample = sampleAt(samples, at);
    if (sample) yield sample;
  }
}

function* textsOf(samples: IndexedSamples): Generator<string> {
  for (const { text } of samplesOf(samples)) yield text;
}

function withRows(there: IndexedSamples, added: readonly Sample[]): IndexedSamples {
  const { delimiter, lineEnd } = there;
  const hasTab = added.some(({ text }) => text.includes('\t'));
  // Where columns are named, a tab in a text is not taken for the end of a cell.
  const needsNames = there.table === '' || (hasTab && delimiterOf(`${there.table}\t`) !== delimiter);
  const samples = needsNames ? withNamedColumns(there) : there;
  const table = samples.table.endsWith(lineEnd) ? samples.table : samples.table + lineEnd;
  const rows = added.map((sample) => rowOf(sample, delimiter));
  const starts = new Uint32Array(added.length);
  const ends = new Uint32Array(added.length);
  let at = table.length;
  for (const [index, row] of rows.entries()) {
    starts[index] = at;
    ends[index] = at + row.length;
    at += row.length + lineEnd.length;
  }
  const texts = textsDigest();
  for (const { text } of added) texts.add(text);
  return {
    ...samples,
    table: table + rows.join(lineEnd),
    starts: joined(Uint32Array, samples.starts, starts),
    ends: joined(Uint32Array, samples.ends, ends),
    expected: joined(
      Uint8Array,
      samples.expected,
      added.map(({ expected }) => verdicts.indexOf(expected)),
    ),
    texts: `${samples.texts} and ${texts.digest()}`,
  };
}

function withNamedColumns(samples: IndexedSamples): IndexedSamples {
  const { table, lineEnd, starts, ends } = samples;
  const head = `text,expected${lineEnd}`;
  return {
    ...samples,
    table: head + table,
    starts: starts.map((one) => one + head.length),
    ends: ends.map((one) => one + head.length),
  };
}

function joined<List extends Numbers>(
  Kind: new (length: number) => List,
  first: List,
  second: ArrayLike<number>,
): List {
  const both = new Kind(first.length + second.length);
  both.set(first);
  both.set(second, first.length);
  return both;
}

/** With another row in the place of one. */
function withRow(samples: IndexedSamples, at: number, row: string): IndexedSamples {
  const { table, starts, ends } = samples;
  const [start = 0, end = 0] = [starts[at], ends[at]];
  const longer = row.length - (end - start);
  return {
    ...samples,
    table: table.slice(0, start) + row + table.slice(end),
    starts: starts.map((one) => (one > start ? one + longer : one)),
    ends: ends.map((one) => (one >= end ? one + longer : one)),
  };
}
