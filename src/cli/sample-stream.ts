import { createReadStream } from 'node:fs';
import type { Readable } from 'node:stream';
import Papa from 'papaparse';
import { type Sample, type SamplesFault, sampleOfRow } from '@/core/guard/sample';
import { delimiterOf } from '@/core/guard/sample-table';

/** Something is wrong in a line of a table of samples, from 1. */
export class FaultySample extends Error {
  constructor(
    readonly line: number,
    readonly fault: SamplesFault,
  ) {
    super(fault.code);
  }
}

interface Piece {
  readonly rows: readonly (readonly string[])[];
  readonly errors: readonly Papa.ParseError[];
}

/**
 * Samples of a table as `readSamples` reads them, piece by piece, so that there may be any number; whether tabs part the cells, its first
 * piece tells. Throws `FaultySample`, and what the system says.
 *
 * @param path `-` for standard input
 */
export async function* samplesIn(path: string): AsyncGenerator<readonly Sample[]> {
  let index = 0;
  for await (const { rows, errors } of piecesOf(path)) {
    const fault = errors.find(({ type }) => type === 'Quotes');
    const samples: Sample[] = [];
    for (const [at, row] of rows.entries()) {
      if (fault && at >= (fault.row ?? 0)) throw new FaultySample(index + 1, { code: 'open quote' });
      const read = sampleOfRow(row, index++);
      if (read.status === 'fault') throw new FaultySample(index, read.fault);
      if (read.status === 'sample') samples.push(read.sample);
    }
    yield samples;
  }
}

/** Pieces of rows; the next one is read when it is asked for. */
async function* piecesOf(path: string): AsyncGenerator<Piece> {
  const text = path === '-' ? process.stdin : createReadStream(path);
  text.setEncoding('utf8');
  const first = await firstOf(text);
  if (first === '') return;
  const delimiter = delimiterOf(first);
  let waiting: { resolve(piece: Piece | null): void; reject(error: Error): void } | null = null;
  let parsing: Papa.Parser | null = null;
  const begun = () =>
    Papa.parse<string[]>(text, {
      delimiter,
      skipEmptyLines: false,
      chunk: ({ data, errors }, parser) => {
        parsing = parser;
        parser.pause();
        waiting?.resolve({ rows: data, errors });
      },
      complete: () => waiting?.resolve(null),
      error: (error: Error) => waiting?.reject(error),
    });
  for (let isFirst = true; ; isFirst = false) {
    const piece = await new Promise<Piece | null>((resolve, reject) => {
      waiting = { resolve, reject };
      if (isFirst) begun();
      else parsing?.resume();
    });
    if (piece === null) return;
    yield piece;
  }
}

/** The first piece of a text, which stays in it; empty where there is none. */
async function firstOf(text: Readable): Promise<string> {
  return new Promise((resolve, reject) => {
    text.once('error', reject);
    text.once('end', () => resolve(''));
    text.once('readable', () => {
      const first: string | null = text.read();
      if (first !== null) text.unshift(first);
      text.off('error', reject);
      resolve(first ?? '');
    });
  });
}
