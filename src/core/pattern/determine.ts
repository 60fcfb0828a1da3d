import { GaveUp } from '../regexp/budget';
import type { Limits } from './limits';
import type { Node, Web } from './nodes';
import { classOf, dead, lastCodePoint, step, stepsOfReduction, type Table, tableOf } from './table';

/**
 * What is still asked of the rest of the text: to go on from a node, by its number; `end` for nothing more; or, below that, that a
 * body does not match.
 */
type Demand = number;
/** One way in which the rest may be accepted: all of its demands are met. Ascending, each once. */
type Way = readonly Demand[];

const end: Demand = -1;

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
  private readonly bounds: readonly number[];
  /** By interval of `bounds`, the class of characters that nothing in the web tells apart. */
  private readonly classes: readonly number[];
  /** By class, its first code point. */
  private readonly first: readonly number[];
  /** By node that takes a character, by class, whether it does. */
  private readonly takes = new Map<number, readonly boolean[]>();
  /** Ways that are open at a node, by what came before; and what a node becomes by a character. */
  private readonly open = new Map<string, readonly Way[]>();
  private readonly steps = new Map<string, readonly Way[]>();
  /** Tables of bodies that must not match, by where they begin and what came before. */
  private readonly bodies: Table[] = [];
  private readonly bodyNumbers = new Map<string, number>();
  /** Demands on such bodies: the table and its state. */
  private readonly refusals: { readonly body: number; readonly state: number }[] = [];
  private readonly refusalNumbers = new Map<string, Demand>();

  constructor(
    private readonly web: Web,
    private readonly limits: Limits,
  ) {
    this.bounds = boundsOf(web);
    const sets = [...new Set(web.nodes.flatMap((node) => (node.does === 'take' ? [node.set] : [])))];
    limits.budget.spend(sets.length * this.bounds.length);
    const members = sets.map(({ ranges }) => {
      let range = 0;
      return this.bounds.map((bound) => {
        while ((ranges[range]?.max ?? Number.POSITIVE_INFINITY) < bound) range++;
        return (ranges[range]?.min ?? Number.POSITIVE_INFINITY) <= bound;
      });
    });
    const numbers = new Map<string, number>();
    const first: number[] = [];
    this.classes = this.bounds.map((bound, interval) => {
      const behind = web.behind.map((table) => classOf(table, bound)).join();
      const key = `${bound > 0xffff} ${behind} ${members.map((is) => (is[interval] ? 1 : 0)).join('')}`;
      const known = numbers.get(key);
      if (known !== undefined) return known;
      numbers.set(key, first.length);
      return first.push(bound) - 1;
    });
    this.first = first;
    const intervals = first.map((_, one) => this.classes.indexOf(one));
    const byClass = members.map((is) => intervals.map((interval) => is[interval] ?? false));
    const bySet = new Map(sets.map((set, index) => [set, byClass[index] ?? []]));
    for (const [at, node] of web.nodes.entries())
      if (node.does === 'take') this.takes.set(at, bySet.get(node.set) ?? []);
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
      const key = `${keyOf(before)}|${ways.map((way) => way.join()).join('|')}`;
      const known = numbers.get(key);
      if (known !== undefined) return known;
      if (states.length >= this.limits.states) throw new GaveUp('too many states');
      numbers.set(key, states.length);
      return states.push({ ways, before }) - 1;
    };
    const start = numberOf(this.arrived(from, first), first);
    const next: number[][] = [];
    for (const { ways, before } of states) {
      this.limits.budget.spend(this.first.length * (1 + 2 * ways.length));
      next.push(
        this.first.map((bound, one) => {
          const after: Before = {
            behind: before.behind.map((state, index) => step(this.web.behind[index] as Table, state, bound)),
            isBegin: false,
          };
          const next = ways.flatMap((way) =>
            this.product(way, (demand) => this.after(demand, one, before, after)),
          );
          this.limits.budget.spend(4 * next.length);
          return numberOf(this.fewest(next), after);
        }),
      );
    }
    this.limits.budget.spend(states.length * this.first.length * stepsOfReduction);
    const accepts = states.map(({ ways, before }) =>
      ways.some((way) => way.every((demand) => this.isMet(demand, before))),
    );
    return tableOf({ bounds: this.bounds, classes: this.classes, next, accepts, start });
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
      const key = `${at}:${way.join()}`;
      if (seen.has(key)) continue;
      seen.add(key);
      this.limits.budget.spend();
      if (seen.size > this.limits.states) throw new GaveUp('too many ways at once');
      const on = (to: number, more: Way = []) => waiting.push([to, both(way, more)]);
      const open = (more: Way) => {
        const all = both(way, more);
        found.set(all.join(), all);
      };
      const node = this.web.nodes[at] as Node;
      switch (node.does) {
        case 'take':
          open([at]);
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
          else if (!isSettled(this.bodies[index] as Table, start)) on(node.to, [this.refusal(index, start)]);
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
          on(node.to, [end]);
          break;
        case 'accept':
          open([end]);
          break;
        case 'done':
          open([]);
          break;
      }
    }
    return [...found.values()];
  }

  /** All combinations of what the demands of a way become. */
  private product(way: Way, become: (demand: Demand) => readonly Way[]): readonly Way[] {
    let ways: readonly Way[] = [[]];
    for (const demand of way) {
      const all = become(demand);
      if (all.length === 0) return [];
      this.limits.budget.spend(ways.length * all.length);
      ways =
        ways.length === 1 && ways[0]?.length === 0
          ? all
          : distinct(ways.flatMap((so) => all.map((more) => both(so, more))));
      if (ways.length > this.limits.states) throw new GaveUp('too many ways at once');
    }
    return ways;
  }

  /** What a demand of a state becomes by a character. */
  private after(demand: Demand, one: number, before: Before, after: Before): readonly Way[] {
    if (demand < end) return this.refusalAfter(demand, one);
    const key = `${demand}|${one}|${keyOf(before)}`;
    const known = this.steps.get(key);
    if (known) return known;
    const ways = this.fewest(
      this.opened(demand, before).flatMap((way) =>
        this.product(way, (waiting) => this.taken(waiting, one, after)),
      ),
    );
    this.steps.set(key, ways);
    return ways;
  }

  /** What becomes by a character of what waits for one. */
  private taken(waiting: Demand, one: number, after: Before): readonly Way[] {
    if (waiting === end) return [];
    if (waiting < end) return this.refusalAfter(waiting, one);
    const node = this.web.nodes[waiting] as Extract<Node, { does: 'take' }>;
    return this.takes.get(waiting)?.[one] ? this.arrived(node.to, after) : [];
  }

  /** A node that is come to stays closed until its next character: many ways behind it are one way to it. */
  private arrived(to: number, before: Before): readonly Way[] {
    const open = this.opened(to, before);
    if (open.length === 0) return [];
    return open.some((way) => way.length === 0) ? [[]] : [[to]];
  }

  private refusalAfter(demand: Demand, one: number): readonly Way[] {
    const { body, state } = this.refusals[end - 1 - demand] as { body: number; state: number };
    const table = this.bodies[body] as Table;
    const next = step(table, state, this.first[one] as number);
    if (next === dead) return [[]];
    return isSettled(table, next) ? [] : [[this.refusal(body, next)]];
  }

  /** The demand that a body does not match from a state of its table on. */
  private refusal(body: number, state: number): Demand {
    const key = `${body} ${state}`;
    const known = this.refusalNumbers.get(key);
    if (known !== undefined) return known;
    const number = end - this.refusals.push({ body, state });
    this.refusalNumbers.set(key, number);
    return number;
  }

  /** Without ways that demand all that another one demands, and more; in an order of their own. */
  private fewest(ways: readonly Way[]): readonly Way[] {
    const all = distinct(ways);
    if (all.length < 2) return all;
    this.limits.budget.spend(4 * all.length);
    const short = [...all].sort((a, b) => a.length - b.length || compare(a, b));
    if (short.at(-1)?.length === 1) return short;
    const kept: Way[] = [];
    for (const way of short) {
      this.limits.budget.spend(kept.length);
      if (!kept.some((one) => one.length < way.length && one.every((demand) => way.includes(demand))))
        kept.push(way);
    }
    return kept;
  }

  /** Whether a demand is met where the text ends. */
  private isMet(demand: Demand, before: Before): boolean {
    if (demand < end) return this.isRefused(demand);
    return this.opened(demand, before).some((way) =>
      way.every((waiting) => waiting === end || (waiting < end && this.isRefused(waiting))),
    );
  }

  private isRefused(demand: Demand): boolean {
    const { body, state } = this.refusals[end - 1 - demand] as { body: number; state: number };
    return this.bodies[body]?.accepts[state] !== 1;
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

/** All demands of two ways, ascending. */
function both(a: Way, b: Way): Way {
  if (b.length === 0) return a;
  if (a.length === 0) return b;
  const all: Demand[] = [];
  for (let [at, other] = [0, 0]; at < a.length || other < b.length; ) {
    const [one, two] = [a[at] ?? Number.POSITIVE_INFINITY, b[other] ?? Number.POSITIVE_INFINITY];
    all.push(Math.min(one, two));
    if (one <= two) at++;
    if (two <= one) other++;
  }
  return all;
}

function distinct(ways: readonly Way[]): readonly Way[] {
  return ways.length < 2 ? ways : [...new Map(ways.map((way) => [way.join(), way])).values()];
}

function compare(a: Way, b: Way): number {
  for (const [index, demand] of a.entries()) {
    const difference = demand - (b[index] ?? Number.NEGATIVE_INFINITY);
    if (difference !== 0) return difference;
  }
  return a.length - b.length;
}

/** Where characters begin to be told apart. */
function boundsOf({ nodes, behind }: Web): number[] {
  const all = new Set([0, 0x10000]);
  const sets = new Set(nodes.flatMap((node) => (node.does === 'take' ? [node.set] : [])));
  for (const { ranges } of sets)
    for (const { min, max } of ranges) {
      all.add(min);
      if (max < lastCodePoint) all.add(max + 1);
    }
  for (const { bounds } of behind) for (const bound of bounds) all.add(bound);
  return [...all].sort((a, b) => a - b);
}
