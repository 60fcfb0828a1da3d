/**
 * What a rule accepts, as a table: states down, classes of characters across. Characters are Unicode code points, as the v
 * and u flags read texts. States from which nothing is accepted any more are left out: `dead` stands for all of them.
 */
export interface Table {
  /** The first code point of each class of characters, ascending, beginning with 0; classes are numbered by `classes`. */
  readonly bounds: Uint32Array;
  /** By interval of `bounds`, the class: intervals that are never told apart share one. */
  readonly classes: Uint16Array;
  readonly classCount: number;
  /** By state and class, the state that follows, or `dead`. */
  readonly next: Int32Array;
  /** By state, 1 where the text so far is accepted. */
  readonly accepts: Uint8Array;
  /** By state, how few UTF-16 code units lead to an accepted text. */
  readonly toEnd: Int32Array;
  /** `dead` where nothing at all is accepted. */
  readonly start: number;
  /** By code point below 128, the class. */
  readonly ascii: Uint16Array;
}

export const dead = -1;
export const lastCodePoint = 0x10ffff;

export function classOf(table: Table, codePoint: number): number {
  if (codePoint < 128) return table.ascii[codePoint] as number;
  return table.classes[intervalOf(table.bounds, codePoint)] as number;
}

/** The interval in which a code point lies, by halving. */
export function intervalOf(bounds: Uint32Array, codePoint: number): number {
  let low = 0;
  let high = bounds.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((bounds[middle] as number) <= codePoint) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The state after one more character. */
export function step(table: Table, state: number, codePoint: number): number {
  return state === dead ? dead : (table.next[state * table.classCount + classOf(table, codePoint)] as number);
}

/** The state after a text. Lone surrogates are characters of their own, as they are to a pattern. */
export function stateAfter(table: Table, text: string, from = table.start): number {
  let state = from;
  for (let at = 0; at < text.length && state !== dead; at++) {
    const codePoint = text.codePointAt(at) as number;
    if (codePoint > 0xffff) at++;
    state = step(table, state, codePoint);
  }
  return state;
}

export function acceptsText(table: Table, text: string): boolean {
  const state = stateAfter(table, text);
  return state !== dead && table.accepts[state] === 1;
}

/** A table as it is drawn up: with states and classes that may turn out to be the same. */
export interface Draft {
  readonly bounds: readonly number[];
  /** By interval, its class; no class has characters of one code unit and of two. Not given: a class for each interval. */
  readonly classes?: readonly number[];
  /** By state, then by class: the state that follows, or `dead`. */
  readonly next: readonly (readonly number[])[];
  readonly accepts: readonly boolean[];
  readonly start: number;
}

/** Steps that the making of a table takes for each of its states and classes. */
export const stepsOfReduction = 4;

/** Takes dead states away, puts states and intervals together that nothing tells apart, and numbers them from the start. */
export function tableOf({ classes, ...given }: Draft): Table {
  const draft = { ...given, classes: classes ?? given.bounds.map((_, interval) => interval) };
  const toEnd = distances(draft);
  return numbered(draft, sameStates(draft, toEnd), toEnd);
}

type Classed = Required<Draft>;

/** By class, the UTF-16 code units of its characters. */
function unitsOf({ bounds, classes }: Classed): number[] {
  const units: number[] = [];
  for (const [interval, one] of classes.entries())
    units[one] ??= (bounds[interval] as number) > 0xffff ? 2 : 1;
  return units;
}

const never = 2 ** 30;

/** By state, the fewest code units to an accepted text; `never` for dead ones. */
function distances(draft: Classed): number[] {
  const { next, accepts } = draft;
  const units = unitsOf(draft);
  const before: [number, number][][] = next.map(() => []);
  for (const [state, row] of next.entries()) {
    const best = new Map<number, number>();
    for (const [one, to] of row.entries())
      if (to !== dead) best.set(to, Math.min(best.get(to) ?? 2, units[one] ?? 1));
    for (const [to, cost] of best) before[to]?.push([state, cost]);
  }
  const found = accepts.map((is) => (is ? 0 : never));
  // Steps cost one or two: states wait by their distance.
  const waiting: number[][] = [found.flatMap((distance, state) => (distance === 0 ? [state] : []))];
  for (let distance = 0; distance < waiting.length; distance++)
    for (const state of waiting[distance] ?? []) {
      if (found[state] !== distance) continue;
      for (const [from, cost] of before[state] ?? []) {
        const through = distance + cost;
        if (through >= (found[from] as number)) continue;
        found[from] = through;
        waiting[through] ??= [];
        waiting[through]?.push(from);
      }
    }
  return found;
}

/**
 * By state, its group of states that accept the same texts; dead ones have none. Groups are told apart by what leads into
 * them, the smaller half first, until nothing tells any of them apart.
 */
function sameStates({ next, accepts }: Classed, toEnd: readonly number[]): number[] {
  const isAlive = (state: number) => state !== dead && toEnd[state] !== never;
  const into: number[][][] = (next[0] ?? []).map(() => next.map(() => []));
  for (const [state, row] of next.entries())
    if (isAlive(state)) for (const [one, to] of row.entries()) if (isAlive(to)) into[one]?.[to]?.push(state);
  const groupOf = numbering(
    next.map((_, state) => (isAlive(state) ? `${accepts[state]} ${toEnd[state]}` : null)),
  );
  const groups: Set<number>[] = [];
  for (const [state, group] of groupOf.entries())
    if (group !== dead) {
      groups[group] ??= new Set();
      groups[group]?.add(state);
    }
  const waiting = new Set(groups.keys());
  for (const splitter of waiting) {
    waiting.delete(splitter);
    const targets = [...(groups[splitter] ?? [])];
    for (const byTarget of into) {
      const hit = new Map<number, number[]>();
      for (const target of targets)
        for (const from of byTarget[target] ?? []) {
          const group = groupOf[from] as number;
          const states = hit.get(group);
          if (states) states.push(from);
          else hit.set(group, [from]);
        }
      for (const [group, states] of hit) {
        const all = groups[group] as Set<number>;
        if (states.length === all.size) continue;
        const added = groups.push(new Set(states)) - 1;
        for (const state of states) {
          all.delete(state);
          groupOf[state] = added;
        }
        const isSmaller = states.length <= all.size;
        waiting.add(waiting.has(group) || isSmaller ? added : group);
      }
    }
  }
  return groupOf;
}

function numbering(keys: readonly (string | null)[]): number[] {
  const numbers = new Map<string, number>();
  return keys.map((key) => {
    if (key === null) return dead;
    const known = numbers.get(key) ?? numbers.size;
    numbers.set(key, known);
    return known;
  });
}

function numbered(draft: Classed, groups: readonly number[], toEnd: readonly number[]): Table {
  const groupOf = (state: number) => (state === dead ? dead : (groups[state] as number));
  const first = new Map<number, number>();
  for (const [state, group] of groups.entries())
    if (group !== dead && !first.has(group)) first.set(group, state);
  const start = groupOf(draft.start);
  const order = start === dead ? [] : [start];
  const place = new Map(order.map((group, index) => [group, index]));
  const rows: number[][] = [];
  for (const group of order) {
    const row = (draft.next[first.get(group) as number] ?? []).map(groupOf);
    rows.push(row);
    for (const to of row)
      if (to !== dead && !place.has(to)) {
        place.set(to, order.length);
        order.push(to);
      }
  }
  const placed = rows.map((row) => row.map((to) => (to === dead ? dead : (place.get(to) as number))));
  const columns = numbering((draft.next[0] ?? []).map((_, one) => placed.map((row) => row[one]).join()));
  const classes = draft.classes.map((one) => columns[one] ?? 0);
  const kept = draft.bounds.flatMap((_, interval) =>
    interval === 0 || classes[interval] !== classes[interval - 1] ? [interval] : [],
  );
  const classCount = Math.max(1, new Set(columns).size);
  const representative = Array.from({ length: classCount }, (_, one) => columns.indexOf(one));
  const bounds = Uint32Array.from(kept, (interval) => draft.bounds[interval] as number);
  const classOfInterval = Uint16Array.from(kept, (interval) => classes[interval] as number);
  return {
    bounds,
    classes: classOfInterval,
    classCount,
    next: Int32Array.from(placed.flatMap((row) => representative.map((one) => row[one] ?? dead))),
    accepts: Uint8Array.from(order, (group) => (draft.accepts[first.get(group) as number] ? 1 : 0)),
    toEnd: Int32Array.from(order, (group) => toEnd[first.get(group) as number] as number),
    start: start === dead ? dead : 0,
    ascii: Uint16Array.from(
      { length: 128 },
      (_, code) => classOfInterval[intervalOf(bounds, code)] as number,
    ),
  };
}

/** How many states a table has. */
export function stateCount({ accepts }: Table): number {
  return accepts.length;
}
