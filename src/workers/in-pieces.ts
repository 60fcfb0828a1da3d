/**
 * A page takes what a worker tells it in one go, and stands still for as long as that takes. Here a large answer is cut into pieces, each
 * of which is taken in a moment; between two of them the page answers whoever uses it.
 */

/** A list that was cut out, and where it belongs. */
interface Gap {
  readonly path: readonly (string | number)[];
  readonly list: number;
}

/** Items that go on where the piece of the same list before ended. */
export interface Piece {
  readonly list: number;
  readonly items: readonly unknown[];
  /** Within `items`; the pieces of each of these lists came before. */
  readonly gaps: readonly Gap[];
}

interface Cut {
  readonly kept: unknown;
  /** How many values it holds, lists and objects counted too. */
  readonly weight: number;
  readonly gaps: readonly Gap[];
}

const mostInPiece = 4_000;
/** Text of so many UTF-16 code units weighs as much as a value. */
const textOfOne = 500;
/** The whole answer, as a list of one. */
const whole = 0;

/**
 * Cuts plain data (lists, objects, texts, numbers, booleans, null): lists are cut, objects and texts are not.
 * @param most how many values go into a piece, and when a list is cut; the lists of one object may come to a few times that
 */
export function inPieces(value: unknown, most = mostInPiece): Piece[] {
  const pieces: Piece[] = [];
  let lists = whole;

  const cutList = (items: readonly unknown[]): Cut => {
    const cuts = items.map(cut);
    const weight = 1 + total(cuts);
    if (weight <= most) return { ...together(cuts), weight };
    lists += 1;
    const list = lists;
    for (const run of runs(cuts, most)) pieces.push(pieceOf(list, run));
    return { kept: [], weight: 1, gaps: [{ path: [], list }] };
  };

  const cutObject = (object: object): Cut => {
    const cuts = Object.entries(object).map(([key, inner]) => [key, cut(inner)] as const);
    return {
      kept: Object.fromEntries(cuts.map(([key, { kept }]) => [key, kept])),
      weight: 1 + total(cuts.map(([, one]) => one)),
      gaps: cuts.flatMap(([key, { gaps }]) => within(key, gaps)),
    };
  };

  const cut = (one: unknown): Cut => {
    if (Array.isArray(one)) return cutList(one);
    if (typeof one === 'object' && one !== null) return cutObject(one);
    return { kept: one, weight: typeof one === 'string' ? 1 + one.length / textOfOne : 1, gaps: [] };
  };

  pieces.push(pieceOf(whole, [cut(value)]));
  return pieces;
}

function total(cuts: readonly Cut[]): number {
  return cuts.reduce((sum, { weight }) => sum + weight, 0);
}

function within(key: string | number, gaps: readonly Gap[]): readonly Gap[] {
  return gaps.map(({ path, list }) => ({ path: [key, ...path], list }));
}

function together(cuts: readonly Cut[]): { kept: readonly unknown[]; gaps: readonly Gap[] } {
  return {
    kept: cuts.map(({ kept }) => kept),
    gaps: cuts.flatMap(({ gaps }, index) => within(index, gaps)),
  };
}

function pieceOf(list: number, cuts: readonly Cut[]): Piece {
  const { kept: items, gaps } = together(cuts);
  return { list, items, gaps };
}

/** Runs of at most so much weight, of one at least. */
function runs(cuts: readonly Cut[], most: number): Cut[][] {
  const all: Cut[][] = [];
  let room = 0;
  for (const one of cuts) {
    if (one.weight > room) {
      all.push([]);
      room = most;
    }
    all.at(-1)?.push(one);
    room -= one.weight;
  }
  return all;
}

export interface Assembly {
  take(piece: Piece): void;
  /** What was cut, once its last piece was taken. */
  whole(): unknown;
}

/** Puts pieces together again, in the order in which they were cut. */
export function assembly(): Assembly {
  const lists = new Map<number, unknown[]>();
  return {
    take({ list, items, gaps }) {
      for (const { path, list: inner } of gaps) {
        fill(items, path, lists.get(inner) ?? []);
        lists.delete(inner);
      }
      const before = lists.get(list);
      if (before) for (const item of items) before.push(item);
      else lists.set(list, [...items]);
    },
    whole: () => lists.get(whole)?.[0],
  };
}

function fill(holder: object, [key = 0, ...rest]: readonly (string | number)[], list: unknown[]): void {
  const inner: unknown = Reflect.get(holder, key);
  if (rest.length > 0 && typeof inner === 'object' && inner !== null) fill(inner, rest, list);
  // Defined and not set: a key may be called like what every object has.
  else
    Object.defineProperty(holder, key, { value: list, writable: true, enumerable: true, configurable: true });
}

/** Answers that a worker holds ready in pieces until each is asked for. */
export interface HeldPieces {
  /** @returns the number by which its pieces are got */
  hold(answer: unknown): number;
  /** The next piece of an answer; null once all were got. */
  next(held: number): Piece | null;
}

export function heldPieces(): HeldPieces {
  const held = new Map<number, Piece[]>();
  let last = 0;
  return {
    hold(answer) {
      last += 1;
      held.set(last, inPieces(answer));
      return last;
    },
    next(answer) {
      const piece = held.get(answer)?.shift() ?? null;
      if (!piece) held.delete(answer);
      return piece;
    },
  };
}

/** Gets an answer piece by piece. Each is asked for when the one before was taken: a browser gives a page all messages that are there in one go. */
export async function gotInPieces(next: () => Promise<Piece | null>): Promise<unknown> {
  const { take, whole: put } = assembly();
  for (let piece = await next(); piece; piece = await next()) take(piece);
  return put();
}
