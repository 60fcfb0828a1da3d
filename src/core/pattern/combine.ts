import { GaveUp } from '../regexp/budget';
import { type Limits, mostStates, usualBudget } from './limits';
import { classOf, dead, stepsOfReduction, type Table, tableOf } from './table';

/**
 * Several tables at once, as one: `accepts` says by which of them a text is accepted whether it is by all together.
 * Throws `GaveUp`.
 */
export function combined(
  tables: readonly Table[],
  accepts: (by: readonly boolean[]) => boolean,
  { states: most, budget }: Pick<Limits, 'states' | 'budget'> = usualLimits(),
): Table {
  const bounds = [...new Set([0, 0x10000, ...tables.flatMap((table) => [...table.bounds])])].sort(
    (a, b) => a - b,
  );
  const tuples = new Map<string, number>();
  /** By class of all together, the class in each table. */
  const inEach: (readonly number[])[] = [];
  const classes = bounds.map((bound) => {
    const each = tables.map((table) => classOf(table, bound));
    const key = `${bound > 0xffff} ${each.join()}`;
    const known = tuples.get(key);
    if (known !== undefined) return known;
    tuples.set(key, inEach.length);
    return inEach.push(each) - 1;
  });
  const numbers = new Map<string, number>();
  const states: (readonly number[])[] = [];
  const numberOf = (each: readonly number[]): number => {
    const key = each.join();
    const known = numbers.get(key);
    if (known !== undefined) return known;
    if (states.length >= most) throw new GaveUp('too many states together');
    numbers.set(key, states.length);
    return states.push(each) - 1;
  };
  const start = numberOf(tables.map((table) => table.start));
  const next: number[][] = [];
  for (const each of states) {
    budget.spend(inEach.length * tables.length);
    next.push(
      inEach.map((columns) =>
        numberOf(
          each.map((state, index) => {
            const table = tables[index] as Table;
            if (state === dead) return dead;
            return table.next[state * table.classCount + (columns[index] as number)] as number;
          }),
        ),
      ),
    );
  }
  budget.spend(states.length * inEach.length * stepsOfReduction);
  const isAccepted = (each: readonly number[]) =>
    accepts(each.map((state, index) => state !== dead && tables[index]?.accepts[state] === 1));
  return tableOf({ bounds, classes, next, accepts: states.map(isAccepted), start });
}

function usualLimits(): Pick<Limits, 'states' | 'budget'> {
  return { states: mostStates, budget: usualBudget() };
}

/** What all of them accept. */
export function allOf(tables: readonly Table[], limits?: Pick<Limits, 'states' | 'budget'>): Table {
  const [only] = tables;
  if (tables.length === 1 && only) return only;
  return combined(tables, (by) => by.every((is) => is), limits);
}

/** What the first accepts and the second does not. */
export function without(table: Table, other: Table, budget = usualBudget()): Table {
  const limits = { states: mostStates, budget };
  return combined([table, other], ([first, second]) => first === true && second !== true, limits);
}

/** What every accepted text begins with, the text itself and nothing at all included. */
export function beginningsOf(table: Table): Table {
  const { bounds, classes, classCount, next, start } = table;
  const rows = Array.from(table.accepts, (_, state) => [
    ...next.subarray(state * classCount, (state + 1) * classCount),
  ]);
  // Everything is accepted, so that it does not matter how long a character is.
  return tableOf({
    bounds: [...bounds],
    classes: [...classes],
    next: rows,
    accepts: rows.map(() => true),
    start,
  });
}

/** Every text. */
export const everyText: Table = tableOf({ bounds: [0], next: [[0]], accepts: [true], start: 0 });

/** Texts of at least and at most so many UTF-16 code units, or code points. */
export function lengthTable(min: number, max: number | null, unit: 'code units' | 'code points'): Table {
  const last = max ?? min;
  const stays = max === null;
  const after = (length: number, by: number) => (length + by <= last ? length + by : stays ? last : dead);
  const lengths = Array.from({ length: last + 1 }, (_, length) => length);
  return tableOf({
    bounds: [0, 0x10000],
    next: lengths.map((length) => [after(length, 1), after(length, unit === 'code units' ? 2 : 1)]),
    accepts: lengths.map((length) => length >= min),
    start: 0,
  });
}
