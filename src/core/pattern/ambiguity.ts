import { type AST, visitRegExpAST } from '@eslint-community/regexpp';
import type { CharSet } from 'refa';
import { type Budget, GaveUp } from '../regexp/budget';
import { syntaxOf } from '../regexp/syntax';
import { connectedParts } from './connected-parts';
import { type Node, NotRegular, type Web, webOf } from './nodes';
import { plainestIn, plainness } from './plain-characters';
import { shortestPath } from './shortest-path';

/**
 * A piece that a matcher can take in several ways, as often as it is repeated: the number of ways is *exponential* in how often, or a power
 * of it (Weber and Seidl, "On the degree of ambiguity of finite automata": EDA and IDA).
 */
export interface Ambiguity {
  readonly grows: 'exponentially' | 'with a power';
  /** A text that leads to the piece. */
  readonly before: string;
  readonly again: string;
}

/** Most states of a part of the automaton whose pairs are looked through. */
const mostStates = 160;
/** Most pairs of states between which a power is looked for. */
const mostPairs = 600;
/** Most ambiguities that are told of each sort. */
const mostFound = 12;
/** A part that is repeated up to so often, at least, is taken for one that is repeated without end; how far it grows is counted afterwards. */
const manyTimes = 6;

/**
 * The pieces over which the ways of a pattern grow out of hand, decided on its automaton: the exponential ones first. Places that look ahead
 * or behind are taken for places where anything goes, and counts for none, so that what is found has to be counted over the pattern itself.
 * @returns none for a pattern that does not compile, that refers back, or whose automaton is too large
 */
export function ambiguitiesOf(source: string, budget: Budget): Ambiguity[] {
  try {
    const web = webOf(withoutCounts(source), 'v', 'whole', { nodes: 4000, states: 4000, budget });
    const automaton = new Positions(web, budget);
    return [...automaton.exponential(), ...automaton.powers()];
  } catch (error) {
    if (error instanceof GaveUp || error instanceof NotRegular || error instanceof SyntaxError) return [];
    throw error;
  }
}

/** The same pattern with repetitions that have a large count repeated without end. */
function withoutCounts(source: string): string {
  const counts: { readonly start: number; readonly end: number; readonly sign: string }[] = [];
  for (const alternative of syntaxOf(source))
    visitRegExpAST(alternative, {
      onQuantifierEnter: ({ element, end, min, max, greedy }: AST.Quantifier) => {
        if (max === Number.POSITIVE_INFINITY ? min > 1 : max >= manyTimes)
          counts.push({ start: element.end, end, sign: `${min === 0 ? '*' : '+'}${greedy ? '' : '?'}` });
      },
    });
  return counts
    .sort((a, b) => b.start - a.start)
    .reduce((text, { start, end, sign }) => text.slice(0, start) + sign + text.slice(end), source);
}

interface Step {
  readonly to: number;
  /** More than one way leads there without taking a character. */
  readonly isMany: boolean;
}

/** The automaton of positions: a state for each place where a character was taken, and one for the start. */
class Positions {
  /** Places of the nodes that take a character. */
  private readonly takes: readonly number[];
  private readonly start: number;
  private readonly steps: readonly (readonly Step[])[];
  /** Characters that stand for all that the pattern tells apart. */
  private readonly letters: readonly string[];
  /** By state, which of the letters lead into it. */
  private readonly reads: readonly ReadonlySet<number>[];
  /** By state, the part of states that lead to each other and back; null for one on no cycle. */
  private readonly partOf: readonly (number | null)[];
  private readonly parts: readonly (readonly number[])[];

  constructor(
    private readonly web: Web,
    private readonly budget: Budget,
  ) {
    this.takes = web.nodes.flatMap(({ does }, place) => (does === 'take' ? [place] : []));
    const states = new Map(this.takes.map((place, state) => [place, state]));
    this.start = this.takes.length;
    const sets = this.takes.map((place) => (web.nodes[place] as Extract<Node, { does: 'take' }>).set);
    const { letters, reads } = lettersOf(sets, budget);
    this.letters = letters;
    this.reads = reads;
    this.steps = [...this.takes.map((place) => (web.nodes[place] as { to: number }).to), web.start].map(
      (node) => this.stepsFrom(node, states),
    );
    const found = connectedParts(this.start + 1, (state) => this.next(state).map(({ to }) => to));
    this.parts = found.filter(
      (part) => part.length > 1 || this.next(part[0] ?? 0).some(({ to }) => to === part[0]),
    );
    const partOf: (number | null)[] = Array(this.start + 1).fill(null);
    for (const [index, part] of this.parts.entries()) for (const state of part) partOf[state] = index;
    this.partOf = partOf;
  }

  /** Pieces that lead from a state back to it in two ways. */
  exponential(): Ambiguity[] {
    return this.parts.flatMap((part) => this.twoWaysRound(part) ?? []).slice(0, mostFound);
  }

  /** Pieces that lead from one state to itself and to another one, and from that to itself. */
  powers(): Ambiguity[] {
    const found: Ambiguity[] = [];
    let pairs = 0;
    for (const first of this.parts)
      for (const second of this.parts) {
        if (first === second) continue;
        for (const from of first)
          for (const to of second) {
            if (found.length >= mostFound || ++pairs > mostPairs) return found;
            const again = this.wordBetween(from, to);
            if (again === null) continue;
            found.push({ grows: 'with a power', before: this.wordTo(from), again });
          }
      }
    return found;
  }

  private next(state: number): readonly Step[] {
    return this.steps[state] ?? [];
  }

  /** What is taken next from a node of the web, and whether more than one way leads there. */
  private stepsFrom(node: number, states: ReadonlyMap<number, number>): Step[] {
    const ways = new Map<number, number>();
    const visits = new Map<number, number>();
    const walk = (at: number): void => {
      this.budget.spend();
      const seen = visits.get(at) ?? 0;
      const state = states.get(at);
      if (state !== undefined) {
        ways.set(state, (ways.get(state) ?? 0) + 1);
        return;
      }
      // Round a loop once more is another way; round again and again is no more than many.
      if (seen >= 2) return;
      visits.set(at, seen + 1);
      for (const to of withoutTaking(this.web.nodes[at])) walk(to);
      visits.set(at, seen);
    };
    walk(node);
    return [...ways].map(([to, count]) => ({ to, isMany: count > 1 }));
  }

  private shared(...states: readonly number[]): number | null {
    const [first, ...others] = states;
    for (const letter of this.reads[first ?? 0] ?? [])
      if (others.every((state) => this.reads[state]?.has(letter))) return letter;
    return null;
  }

  private isIn(part: readonly number[], state: number): boolean {
    return this.partOf[state] === this.partOf[part[0] ?? 0];
  }

  private twoWaysRound(part: readonly number[]): Ambiguity | null {
    if (part.length > mostStates) return null;
    const size = this.start + 1;
    const pair = (one: number, other: number) => one * size + other;
    const onward = (at: number) => {
      this.budget.spend(4);
      const [one, other] = [Math.floor(at / size), at % size];
      return this.next(one).flatMap((left) =>
        this.isIn(part, left.to)
          ? this.next(other).flatMap((right) => {
              const letter = this.isIn(part, right.to) ? this.shared(left.to, right.to) : null;
              return letter === null
                ? []
                : [
                    {
                      to: pair(left.to, right.to),
                      letter,
                      isMany: one === other && left.to === right.to && left.isMany,
                    },
                  ];
            })
          : [],
      );
    };
    for (const state of part) {
      const home = pair(state, state);
      const reached = shortestPath(
        home,
        onward,
        (at, step) => step.isMany || Math.floor(at / size) !== at % size,
      );
      if (!reached) continue;
      const back = shortestPath(reached.at, onward, (at) => at === home);
      // Every state of a part is reached from every other, but pairs of them need not be.
      if (!back) continue;
      const again = [...reached.steps, ...back.steps].map(({ letter }) => this.letters[letter]).join('');
      return { grows: 'exponentially', before: this.wordTo(state), again };
    }
    return null;
  }

  /** A word by which `from` leads to itself and to `to`, and `to` to itself; null where there is none. */
  private wordBetween(from: number, to: number): string | null {
    const size = this.start + 1;
    const triple = (a: number, b: number, c: number) => (a * size + b) * size + c;
    const [fromPart, toPart] = [this.partOf[from], this.partOf[to]];
    const onward = (at: number) => {
      this.budget.spend(8);
      const [a, b, c] = [Math.floor(at / size / size), Math.floor(at / size) % size, at % size];
      return this.next(a).flatMap((one) =>
        this.partOf[one.to] === fromPart
          ? this.next(c).flatMap((three) =>
              this.partOf[three.to] === toPart && this.shared(one.to, three.to) !== null
                ? this.next(b).flatMap((two) => {
                    const letter = this.shared(one.to, two.to, three.to);
                    return letter === null ? [] : [{ to: triple(one.to, two.to, three.to), letter }];
                  })
                : [],
            )
          : [],
      );
    };
    const found = shortestPath(triple(from, from, to), onward, (at) => at === triple(from, to, to));
    return found?.steps.map(({ letter }) => this.letters[letter]).join('') ?? null;
  }

  private wordTo(state: number): string {
    const onward = (at: number) =>
      this.next(at).flatMap(({ to }) => {
        const [letter] = this.reads[to] ?? [];
        return letter === undefined ? [] : [{ to, letter }];
      });
    const found = shortestPath(this.start, onward, (at) => at === state);
    return found?.steps.map(({ letter }) => this.letters[letter]).join('') ?? '';
  }
}

function withoutTaking(node: Node | undefined): readonly number[] {
  switch (node?.does) {
    case 'fork':
      return node.to;
    case 'ahead':
    case 'not ahead':
      return [node.body, node.to];
    case 'behind':
    case 'begin':
    case 'end':
      return [node.to];
    default:
      return [];
  }
}

/** Characters that stand for all that these sets tell apart, the plainest of each sort, and by set which of them are in it. */
function lettersOf(
  sets: readonly CharSet[],
  budget: Budget,
): { readonly letters: readonly string[]; readonly reads: readonly ReadonlySet<number>[] } {
  const different = [...new Set(sets)];
  const bounds = new Set(different.flatMap(({ ranges }) => ranges.flatMap(({ min, max }) => [min, max + 1])));
  const sorted = [...bounds].sort((a, b) => a - b);
  const plainestOf = new Map<string, string>();
  for (const [index, min] of sorted.entries()) {
    const max = (sorted[index + 1] ?? min + 1) - 1;
    budget.spend(different.length);
    const sort = different.map((set) => (set.has(min) ? '1' : '0')).join('');
    if (!sort.includes('1')) continue;
    const letter = plainestIn(min, max);
    const known = plainestOf.get(sort);
    if (known === undefined || plainness(letter) < plainness(known)) plainestOf.set(sort, letter);
  }
  const letters = [...plainestOf.values()].sort((a, b) => plainness(a) - plainness(b));
  const readBy = new Map(
    different.map((set) => [
      set,
      new Set(letters.flatMap((letter, at) => (set.has(letter.codePointAt(0) ?? 0) ? [at] : []))),
    ]),
  );
  return { letters, reads: sets.map((set) => readBy.get(set) ?? new Set<number>()) };
}
