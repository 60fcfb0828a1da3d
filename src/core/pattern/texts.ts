import { charactersIn, isSeen, plainestIn, plainness } from './plain-characters';
import { dead, lastCodePoint, type Table } from './table';

/** Characters that lead to the same state from wherever one is; none crosses from one code unit to two. */
interface Interval {
  readonly min: number;
  readonly max: number;
  /** Of them all the plainest. */
  readonly character: string;
  /** Whether a person sees it, a space included. */
  readonly isSeen: boolean;
  /** Of the table. */
  readonly inClass: number;
}

/** From a state, where characters of one interval lead. */
export interface Edge extends Interval {
  readonly to: number;
}

/** The edges out of a state that lead on, those with the plainest characters first. */
export function edgesOf(table: Table, state: number): readonly Edge[] {
  return edgesAt(table, state).all;
}

/** The edges out of a state, those of characters that are seen, and those of them that most keyboards have. */
interface Edges {
  readonly all: readonly Edge[];
  readonly seen: readonly Edge[];
  readonly ascii: readonly Edge[];
}

function edgesAt(table: Table, state: number): Edges {
  const ofTable = edges.get(table) ?? new Map<number, Edges>();
  edges.set(table, ofTable);
  const known = ofTable.get(state);
  if (known) return known;
  const { classCount, next } = table;
  const all = intervalsOf(table).flatMap((interval): Edge[] => {
    const to = next[state * classCount + interval.inClass] as number;
    return to === dead ? [] : [{ ...interval, to }];
  });
  const seen = all.filter((edge) => edge.isSeen);
  const found = { all, seen, ascii: seen.filter((edge) => edge.min < 128) };
  ofTable.set(state, found);
  return found;
}
const edges = new WeakMap<Table, Map<number, Edges>>();

/** The intervals of a table, those with the plainest characters first. */
function intervalsOf(table: Table): readonly Interval[] {
  const known = intervals.get(table);
  if (known) return known;
  const { bounds, classes } = table;
  const found = [...bounds]
    .flatMap((min, at) => {
      const max = (bounds[at + 1] ?? lastCodePoint + 1) - 1;
      const inClass = classes[at] as number;
      return min <= 0xffff && max > 0xffff
        ? [interval(min, 0xffff, inClass), interval(0x10000, max, inClass)]
        : [interval(min, max, inClass)];
    })
    .map((one) => ({ one, rank: plainness(one.character) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ one }) => one);
  intervals.set(table, found);
  return found;
}
const intervals = new WeakMap<Table, readonly Interval[]>();

function interval(min: number, max: number, inClass: number): Interval {
  const character = plainestIn(min, max);
  return { min, max, character, isSeen: isSeen(character), inClass };
}

/** The shortest text that leads from a state to an accepted one, in the plainest characters; null where none does. */
export function shortestFrom(table: Table, from: number): string | null {
  if (from === dead) return null;
  let [state, text] = [from, ''];
  while (table.accepts[state] !== 1) {
    const left = table.toEnd[state] as number;
    const edge = edgesOf(table, state).find(
      ({ min, to }) => (table.toEnd[to] as number) + (min > 0xffff ? 2 : 1) === left,
    );
    if (!edge) return null;
    text += edge.character;
    state = edge.to;
  }
  return text;
}

export function shortestText(table: Table): string | null {
  return shortestFrom(table, table.start);
}

/** The shortest text, in characters, that leads from the start to each state. */
export function shortestTo(table: Table): ReadonlyMap<number, string> {
  const found = new Map<number, string>();
  if (table.start === dead) return found;
  found.set(table.start, '');
  for (const [state, text] of found)
    for (const edge of edgesOf(table, state))
      if (!found.has(edge.to)) found.set(edge.to, text + edge.character);
  return found;
}

/** How long a text that is made up may get before it makes for the end, characters. */
const longEnough = 12;

/** A few texts that are accepted, each once, the shortest first; always the same ones for the same table. */
export function typicalTexts(table: Table, most: number): string[] {
  const shortest = shortestText(table);
  if (shortest === null) return [];
  const found = new Set([shortest]);
  const random = randomFrom(table.accepts.length * 7919 + table.bounds.length);
  for (let time = 0; time < most * 12 && found.size < most; time++) {
    const text = madeUp(table, random);
    if (text !== null) found.add(text);
  }
  return [...found].sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
}

function madeUp(table: Table, random: () => number): string | null {
  let [state, text] = [table.start, ''];
  for (let length = 0; ; length++) {
    const canStop = table.accepts[state] === 1;
    const { all, seen, ascii } = edgesAt(table, state);
    // What people type is plain, most of the time.
    const options = ascii.length > 0 && random() < 0.95 ? ascii : seen.length > 0 ? seen : all;
    if (options.length === 0 || (canStop && random() < 0.3)) return canStop ? text : null;
    if (length >= longEnough) {
      const rest = shortestFrom(table, state);
      return rest === null ? null : text + rest;
    }
    // What people type is plain: the first edges are taken more often.
    const edge = options[Math.floor(random() ** 3 * options.length)] as Edge;
    const inside = charactersIn(edge.min, edge.max);
    const plain = inside.filter((one) => /[A-Za-z0-9]/.test(one));
    const characters = plain.length > 0 ? plain : inside.slice(0, 4);
    text += characters[Math.floor(random() * characters.length)] ?? edge.character;
    state = edge.to;
  }
}

/** Numbers from 0 to 1 that look like chance and come the same every time. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
