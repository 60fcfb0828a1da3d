import { allOf } from './combine';
import { matcherOf } from './counted-match';
import { GaveUp } from './limits';
import { type Part, partsOf, spanOfRow } from './parts';
import { patternTable } from './pattern-table';
import { type SlowText, slowText } from './slow-text';
import type { Table } from './table';
import { shortestText, typicalTexts } from './texts';

/** Texts that a matcher which goes back and tries again may take very long over: one for each part that is repeated without end. */
export function slowTexts(source: string): SlowText[] {
  const rows = partsOf(source);
  if (!rows) return [];
  return rows.flatMap((row) => inRow(source, row, '')).slice(0, 40);
}

function inRow(source: string, row: readonly Part[], before: string): SlowText[] {
  const found: SlowText[] = [];
  let so = before;
  for (const part of row) {
    found.push(...inPart(source, part, so));
    so += shortestOf(source, part);
  }
  return found;
}

function inPart(source: string, part: Part, before: string): SlowText[] {
  switch (part.is) {
    case 'choice':
    case 'look':
      return part.rows.flatMap((row) => inRow(source, row, before));
    case 'times': {
      const inside = inPart(source, part.part, before);
      if (part.max !== null && part.max < 20) return inside;
      const pieces = textsOf(source, part.part).filter((text) => text !== '');
      const whole = pieces.flatMap((again) => endings.map((after) => ({ before, again, after })));
      return [...whole, ...inside];
    }
    default:
      return [];
  }
}

/** What makes a text fail at its end, most of the time. */
const endings = ['!', '\u0001', '@'] as const;

const slice = (source: string, { span }: Part) => source.slice(span.start, span.end);

const mostPatience = 100;

function tableOf(source: string): Table | null {
  const found = patternTable({ source, match: 'whole' }, mostPatience);
  return found.status === 'known' ? found.table : null;
}

/** Typical texts of a part; of a choice first those that more than one of its ways takes. */
function textsOf(source: string, part: Part): string[] {
  const table = tableOf(slice(source, part));
  return [
    ...(part.is === 'choice' ? sharedTexts(source, part.rows) : []),
    ...(table ? typicalTexts(table, 3) : []),
  ];
}

function sharedTexts(source: string, rows: readonly (readonly Part[])[]): string[] {
  const tables = rows.flatMap((row) => {
    const span = spanOfRow(row);
    return (span && tableOf(source.slice(span.start, span.end))) ?? [];
  });
  try {
    return tables.flatMap((table, at) =>
      tables.slice(at + 1).flatMap((other) => shortestText(allOf([table, other])) ?? []),
    );
  } catch (error) {
    if (error instanceof GaveUp) return [];
    throw error;
  }
}

function shortestOf(source: string, part: Part): string {
  const table = tableOf(slice(source, part));
  return (table && shortestText(table)) ?? '';
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
/** How often the piece is repeated, where time doubles and where it grows with a power. */
const [few, many] = [
  [6, 9, 12, 15, 18, 21, 24, 27, 30, 33, 36],
  [50, 100, 200, 400, 800, 1600, 3200, 6400, 12_800, 25_600],
];

/**
 * Measures the texts until one shows that time grows out of hand; null where none does.
 * @param until `Date.now()` at which measuring ends
 */
export async function measuredGrowth(
  texts: readonly SlowText[],
  time: Timing,
  until: number,
): Promise<Growth | null> {
  for (const text of texts) {
    const growth = await growthOf(text, time, until);
    if (growth.grows !== 'in proportion') return growth;
    if (Date.now() > until) return null;
  }
  return null;
}

/** Measures one text, longer and longer, until it is slow or as long as it gets. */
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
    const ms = await time(slowText(text, count));
    took.push([count, ms]);
    if (ms >= slow) break;
  }
  return took;
}

/** It got slow, and faster than its text grew: time in proportion to the length is no fault. */
function isOutOfHand(took: readonly (readonly [number, number])[]): boolean {
  const last = took.at(-1);
  if (!last || last[1] < slow) return false;
  const [times, ms] = took[0] ?? last;
  return last[1] / Math.max(ms, 0.05) > (last[0] / times) ** 1.6;
}

/** How many steps it takes to find out that a text does not match, by the times that the piece is repeated. */
export interface StepGrowth {
  readonly text: SlowText;
  readonly steps: readonly (readonly [times: number, steps: number])[];
}

/** Repetitions for which steps are counted. */
const countedTimes = [8, 12, 16];
/** Steps after which nobody counts on. */
export const mostSteps = 200_000;

/**
 * A text over which a matcher that tries every way takes steps that double again and again with each few pieces more; null where none
 * is found. Counted and not timed: the same everywhere.
 * @param longest UTF-16 code units that can be entered
 */
export function doublingSteps(source: string, longest: number): StepGrowth | null {
  const match = matcherOf(source);
  if (!match) return null;
  for (const text of slowTexts(source)) {
    const counts = countedTimes.filter((times) => slowText(text, times).length <= longest);
    const steps = counts.map((times) => [times, match(slowText(text, times), mostSteps).steps] as const);
    const [first, second, third] = steps.map(([, count]) => count);
    if (first && second && third && second > 6 * first && third > 6 * second) return { text, steps };
  }
  return null;
}
