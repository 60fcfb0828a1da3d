import { GaveUp, type Limits, ticking } from './limits';
import type { Node, Web } from './nodes';
import { dead, lastCodePoint, step, type Table, tableOf } from './table';

/** What is still asked of the rest of the text: nodes that wait for a character, the end of the text, bodies that must not match. */
type Demand = string;
/** One way in which the rest may be accepted: all of its demands are met. Sorted, each once. */
type Way = readonly Demand[];

/**
 * All ways through a web at once, as a table. A state is the set of ways that are open; of two ways the one that demands more
 * is left out. Throws `GaveUp`.
 */
export function determined(web: Web, limits: Limits): Table {
  return new Walk(web, limits).table();
}

/** Where the text stands: the states of the tables that look back, and whether no character came before. */
interface Before {
  readonly behind: readonly number[];
  readonly isBegin: boolean;
}

class Walk {
  private readonly tick: (work?: number) => void;
  private readonly bounds: readonly number[];
  /** By node that takes a character, by interval, whether it does. */
  private readonly takes = new Map<number, readonly boolean[]>();
  private readonly open = new Map<string, readonly Way[]>();
  /** Tables of bodies that must not match, by where they begin and what came before. */
  private readonly bodies: Table[] = [];
  private readonly bodyNumbers = new Map<string, number>();

  constructor(
    private readonly web: Web,
    private readonly limits: Limits,
  ) {
    this.tick = ticking(limits);
    this.bounds = boundsOf(web);
    for (const [at, node] of web.nodes.entries())
      if (node.does === 'take') {
        let range = 0;
        const { ranges } = node.set;
        this.takes.set(
          at,
          this.bounds.map((bound) => {
            while ((ranges[range]?.max ?? Number.POSITIVE_INFINITY) < bound) range++;
            return (ranges[range]?.min ?? Number.POSITIVE_INFINITY) <= bound;
          }),
        );
      }
  }

  table(): Table {
    return this.tableFrom(this.web.start, {
      behind: this.web.behind.map(({ start }) => start),
      isBegin: true,
    });
  }

  /** What the rest of a text has to be, from a node on, after what came before. */
  private tableFrom(from: number, first: Before): Table {
    const numbers = new Map<string, number>();
    const states: { readonly ways: readonly Way[]; readonly before: Before }[] = [];
    const numberOf = (ways: readonly Way[], before: Before): number => {
      if (ways.length === 0) return dead;
      const key = `${keyOf(before)}|${ways.map((way) => way.join(' ')).join('|')}`;
      const known = numbers.get(key);
      if (known !== undefined) return known;
      if (states.length >= this.limits.states) throw new GaveUp('it has too many states');
      numbers.set(key, states.length);
      return states.push({ ways, before }) - 1;
    };
    const start = numberOf(this.fewest(this.opened(from, first)), first);
    const next: number[][] = [];
    for (const { ways, before } of states)
      next.push(
        this.bounds.map((bound, interval) => {
          const after: Before = {
            behind: before.behind.map((state, index) => step(this.web.behind[index] as Table, state, bound)),
            isBegin: false,
          };
          return numberOf(this.fewest(ways.flatMap((way) => this.after(way, interval, after))), after);
        }),
      );
    const accepts = states.map(({ ways }) => ways.some((way) => way.every((one) => this.isMetAtEnd(one))));
    return tableOf({ bounds: this.bounds, next, accepts, start });
  }

  /** The ways that are open at a node before any character is taken. */
  private opened(from: number, before: Before): readonly Way[] {
    const key = `${from}|${keyOf(before)}`;
    const known = this.open.get(key);
    if (known) return known;
    const found = this.openedAnew(from, before);
    this.open.set(key, found);
    return found;
  }

  private openedAnew(from: number, before: Before): readonly Way[] {
    const found = new Map<string, Way>();
    const seen = new Set<string>();
    const waiting: [number, Way][] = [[from, []]];
    for (let item = waiting.pop(); item; item = waiting.pop()) {
      const [at, way] = item;
      const key = `${at}:${way.join(' ')}`;
      if (seen.has(key)) continue;
      seen.add(key);
      this.tick();
      if (seen.size > this.limits.states) throw new GaveUp('it can be matched in too many ways at once');
      const on = (to: number, more: Way = []) => waiting.push([to, both(way, more)]);
      const end = (more: Way) => {
        const all = both(way, more);
        found.set(all.join(' '), all);
      };
      const node = this.web.nodes[at] as Node;
      switch (node.does) {
        case 'take':
          end([`${at}`]);
          break;
        case 'fork':
          for (const to of node.to) on(to);
          break;
        case 'ahead':
          for (const more of this.opened(node.body, before)) on(node.to, more);
          break;
        case 'not ahead': {
          const index = this.bodyFrom(node.body, before);
          const { start } = this.bodies[index] as Table;
          if (start === dead) on(node.to);
          else if (!isSettled(this.bodies[index] as Table, start)) on(node.to, [`!${index},${start}`]);
          break;
        }
        case 'behind': {
          const table = this.web.behind[node.table] as Table;
          const state = before.behind[node.table] as number;
          const matches = state !== dead && table.accepts[state] === 1;
          if (matches !== node.negate) on(node.to);
          break;
        }
        case 'begin':
          if (before.isBegin) on(node.to);
          break;
        case 'end':
          on(node.to, ['$']);
          break;
        case 'accept':
          end(['$']);
          break;
        case 'done':
          end([]);
          break;
      }
    }
    return [...found.values()];
  }

  /** What a way becomes by a character: all combinations of what its demands become. */
  private after(way: Way, interval: number, after: Before): Way[] {
    let ways: Way[] = [[]];
    for (const demand of way) {
      const become = this.become(demand, interval, after);
      if (become.length === 0) return [];
      this.tick(ways.length * become.length);
      ways = distinct(ways.flatMap((one) => become.map((more) => both(one, more))));
      if (ways.length > this.limits.states) throw new GaveUp('it can be matched in too many ways at once');
    }
    return ways;
  }

  private become(demand: Demand, interval: number, after: Before): readonly Way[] {
    if (demand === '$') return [];
    if (demand.startsWith('!')) {
      const [index = 0, state = dead] = demand.slice(1).split(',').map(Number);
      const body = this.bodies[index] as Table;
      const next = step(body, state, this.bounds[interval] as number);
      if (next === dead) return [[]];
      return isSettled(body, next) ? [] : [[`!${index},${next}`]];
    }
    const at = Number(demand);
    const node = this.web.nodes[at] as Extract<Node, { does: 'take' }>;
    return this.takes.get(at)?.[interval] ? this.opened(node.to, after) : [];
  }

  /** Without ways that demand all that another one demands, and more. */
  private fewest(ways: readonly Way[]): Way[] {
    const short = distinct(ways).sort((a, b) => a.length - b.length);
    if (short.at(-1)?.length === 1) return sorted(short);
    const kept: Way[] = [];
    for (const way of short) {
      const demands = new Set(way);
      this.tick(kept.length);
      if (!kept.some((one) => one.every((demand) => demands.has(demand)))) kept.push(way);
    }
    return sorted(kept);
  }

  private isMetAtEnd(demand: Demand): boolean {
    if (demand === '$') return true;
    if (!demand.startsWith('!')) return false;
    const [index = 0, state = dead] = demand.slice(1).split(',').map(Number);
    return this.bodies[index]?.accepts[state] !== 1;
  }

  /** The table of a body that must not match, by its number. */
  private bodyFrom(body: number, before: Before): number {
    const key = `${body}|${keyOf(before)}`;
    const known = this.bodyNumbers.get(key);
    if (known !== undefined) return known;
    const number = this.bodies.push(this.tableFrom(body, before)) - 1;
    this.bodyNumbers.set(key, number);
    return number;
  }
}

function keyOf({ isBegin, behind }: Before): string {
  return `${isBegin} ${behind.join()}`;
}

/** Whether every continuation of an accepting state is accepted too. */
function isSettled({ next, classCount, accepts }: Table, state: number): boolean {
  return (
    accepts[state] === 1 &&
    next.subarray(state * classCount, (state + 1) * classCount).every((to) => to === state)
  );
}

function both(a: Way, b: Way): Way {
  if (b.length === 0) return a;
  if (a.length === 0) return b;
  return [...new Set([...a, ...b])].sort();
}

function distinct(ways: readonly Way[]): Way[] {
  return ways.length < 2 ? [...ways] : [...new Map(ways.map((way) => [way.join(' '), way])).values()];
}

function sorted(ways: readonly Way[]): Way[] {
  return [...ways].sort((a, b) => (a.join(' ') < b.join(' ') ? -1 : 1));
}

/** Where characters begin to be told apart. */
function boundsOf({ nodes, behind }: Web): number[] {
  const all = new Set([0, 0x10000]);
  for (const node of nodes) {
    if (node.does === 'take')
      for (const { min, max } of node.set.ranges) {
        all.add(min);
        if (max < lastCodePoint) all.add(max + 1);
      }
  }
  for (const { bounds } of behind) for (const bound of bounds) all.add(bound);
  return [...all].sort((a, b) => a - b);
}
