import { Budget, GaveUp } from '../regexp/budget';
import { type Ambiguity, ambiguitiesOf } from './ambiguity';
import { allOf } from './combine';
import { mostStates } from './limits';
import { type Part, partsOf, type SourceSpan, spanOfRow } from './parts';
import { patternTable } from './pattern-table';
import { type SlowText, slowText } from './slow-text';
import type { Table } from './table';
import { shortestText, typicalTexts } from './texts';

/** Most texts that are tried. */
const mostTexts = 40;
/** Steps that the making of all texts of a pattern may take. */
const stepsForTexts = 2_000_000;

/**
 * Texts that a matcher which goes back and tries again may take very long over: one for each part that is repeated without end.
 * @param ambiguities of the pattern, where they are known already
 */
export function slowTexts(
  source: string,
  ambiguities = ambiguitiesOf(source, new Budget(stepsForTexts)),
): SlowText[] {
  const rows = partsOf(source);
  if (!rows) return [];
  return [...ambiguities.flatMap(textsOver), ...new TextFinder(source).inRows(rows, '')].slice(0, mostTexts);
}

/** Texts over a piece that is taken in several ways: the piece as it is, and the shortest piece of which it is made. */
export function textsOver({ before, again }: Ambiguity): SlowText[] {
  const root = Array.from({ length: again.length }, (_, at) => again.slice(0, at + 1)).find(
    (piece) => piece.repeat(again.length / piece.length) === again,
  );
  return [...new Set([root ?? again, again])].flatMap((piece) =>
    endings.map((after) => ({ before, again: piece, after })),
  );
}

/** What makes a text fail at its end, most of the time. */
export const endings = ['!', '', '@', '\u0001'] as const;

type Rows = readonly (readonly Part[])[];

class TextFinder {
  private readonly budget = new Budget(stepsForTexts);

  constructor(private readonly source: string) {}

  inRows(rows: Rows, before: string): SlowText[] {
    return rows.flatMap((row) => this.inRow(row, before));
  }

  private inRow(row: readonly Part[], before: string): SlowText[] {
    const found: SlowText[] = [];
    let so = before;
    for (const part of row) {
      found.push(...this.inPart(part, so));
      if (found.length >= mostTexts) break;
      so += this.shortestOf(part);
    }
    return found;
  }

  private inPart(part: Part, before: string): SlowText[] {
    switch (part.is) {
      case 'choice':
      case 'look':
        return this.inRows(part.rows, before);
      case 'times': {
        const inside = this.inPart(part.part, before);
        if (part.max !== null && part.max < 20) return inside;
        const pieces = this.textsOf(part.part).filter((text) => text !== '');
        const whole = pieces.flatMap((again) => endings.map((after) => ({ before, again, after })));
        return [...whole, ...inside];
      }
      default:
        return [];
    }
  }

  /** Typical texts of a part; of a choice first those that more than one of its ways takes. */
  private textsOf(part: Part): string[] {
    const table = this.tableAt(part.span);
    return [
      ...(part.is === 'choice' ? this.sharedTexts(part.rows) : []),
      ...(table ? typicalTexts(table, 3) : []),
    ];
  }

  private sharedTexts(rows: Rows): string[] {
    const tables = rows.slice(0, mostTexts).flatMap((row) => {
      const span = spanOfRow(row);
      return (span && this.tableAt(span)) ?? [];
    });
    const found: string[] = [];
    for (const [at, table] of tables.entries())
      for (const other of tables.slice(at + 1)) {
        const shared = this.sharedText(table, other);
        if (shared !== null) found.push(shared);
        if (found.length >= mostTexts) return found;
      }
    return found;
  }

  private sharedText(table: Table, other: Table): string | null {
    try {
      return shortestText(allOf([table, other], { states: mostStates, budget: this.budget }));
    } catch (error) {
      if (error instanceof GaveUp) return null;
      throw error;
    }
  }

  private shortestOf(part: Part): string {
    const table = this.tableAt(part.span);
    return (table && shortestText(table)) ?? '';
  }

  private tableAt({ start, end }: SourceSpan): Table | null {
    const found = patternTable({ source: this.source.slice(start, end), match: 'whole' }, this.budget);
    return found.status === 'known' ? found.table : null;
  }
}

/** How long a matcher took, by the times that the piece was repeated. */
export interface Growth {
  readonly text: SlowText;
  /** ms, the fewest repetitions first. */
  readonly took: readonly (readonly [times: number, ms: number])[];
  /** Twice the time for a few pieces more, a power of the length, or in proportion to it. */
  readonly grows: 'doubles' | 'with a power' | 'in proportion';
}

/** Runs the pattern over a text and says how long it took, ms. */
export type Timing = (text: string) => number | Promise<number>;

/** Slower than this is slow, ms; and the measuring of one text ends there. */
const slow = 25;
/** What takes so long is slow by itself, ms. */
const surelySlow = 250;
/** How often the piece is repeated, where time doubles and where it grows with a power. */
const [few, many] = [
  [6, 9, 12, 15, 18, 21, 24, 27, 30, 33, 36],
  [50, 100, 200, 400, 800, 1600, 3200, 6400, 12_800, 25_600],
];

/**
 * Measures one text, longer and longer, until it is slow or as long as it gets.
 * @param until `Date.now()` at which measuring ends
 */
export async function growthOf(text: SlowText, time: Timing, until: number): Promise<Growth> {
  const short = await timesOf(text, few, time, until);
  if (isOutOfHand(short)) return { text, took: short, grows: 'doubles' };
  // What is slow over a few pieces would never end over many.
  if ((short.at(-1)?.[1] ?? 0) >= slow) return { text, took: short, grows: 'in proportion' };
  const long = await timesOf(text, many, time, until);
  if (isOutOfHand(long)) return { text, took: long, grows: 'with a power' };
  return { text, took: [...short, ...long], grows: 'in proportion' };
}

async function timesOf(
  text: SlowText,
  counts: readonly number[],
  time: Timing,
  until: number,
): Promise<[number, number][]> {
  const took: [number, number][] = [];
  for (const count of counts) {
    if (Date.now() > until) break;
    const ms = await leastTime(slowText(text, count), time);
    took.push([count, ms]);
    if (ms >= slow) break;
  }
  return took;
}

/** What is slow is asked again: a machine that did something else meanwhile is slow once. */
async function leastTime(text: string, time: Timing): Promise<number> {
  let least = await time(text);
  for (let again = 0; again < 2 && least >= slow && least < surelySlow; again++)
    least = Math.min(least, await time(text));
  return least;
}

/** It got slow, and faster than its text grew: time in proportion to the length is no fault. */
function isOutOfHand(took: readonly (readonly [number, number])[]): boolean {
  const last = took.at(-1);
  if (!last || last[1] < slow) return false;
  const [times, ms] = took[0] ?? last;
  return last[1] / Math.max(ms, 0.05) > (last[0] / times) ** 1.6;
}
