import { type CharSet, type Concatenation, type Element, JS, TooManyNodesError } from 'refa';
import { GaveUp } from '../regexp/budget';
import { checkNesting } from '../regexp/syntax';
import type { UnworkedCode } from '../regexp/unworked';
import { determined } from './determine';
import type { Limits } from './limits';
import type { Table } from './table';

/**
 * A pattern as a web of nodes, walked over the text. `ahead` goes on only where its body matches too, `not ahead` only where
 * it does not; `behind` looks at what the text so far ends with.
 */
export type Node =
  | { readonly does: 'take'; readonly set: CharSet; to: number }
  | { readonly does: 'fork'; readonly to: number[] }
  | { readonly does: 'ahead' | 'not ahead'; readonly body: number; to: number }
  | { readonly does: 'behind'; readonly table: number; readonly negate: boolean; to: number }
  /** Goes on only where no character follows. */
  | { readonly does: 'end'; to: number }
  /** Goes on only where no character came before. */
  | { readonly does: 'begin'; to: number }
  /** The body of an `ahead` has matched, whatever follows. */
  | { readonly does: 'done' }
  /** The pattern has matched, and no character may follow. */
  | { readonly does: 'accept' };

export interface Web {
  readonly nodes: readonly Node[];
  readonly start: number;
  /** Those that `behind` looks at: each accepts the texts that end with its body. */
  readonly behind: readonly Table[];
}

/** The pattern is not regular, or not in a way that Ukko follows. */
export class NotRegular extends Error {
  override readonly name = 'NotRegular';

  constructor(readonly code: UnworkedCode) {
    super(code);
  }
}

/** Draws the web of what `source` matches. Throws `NotRegular` or `GaveUp`. */
export function webOf(source: string, flags: string, match: 'whole' | 'part', limits: Limits): Web {
  const { expression } = parsed(source, flags, limits);
  const drawing = new Drawing(limits);
  const accept = drawing.add({ does: 'accept' });
  const loose = match === 'part';
  const last = loose ? drawing.loop(accept) : accept;
  const body = drawing.anyOf(expression.alternatives, last, 'in the open');
  return { nodes: drawing.nodes, start: loose ? drawing.loop(body) : body, behind: drawing.behind };
}

function parsed(source: string, flags: string, limits: Limits) {
  checkNesting(source);
  try {
    return JS.Parser.fromLiteral({ source, flags }).parse({
      assertions: 'parse',
      backreferences: 'throw',
      maxNodes: limits.nodes,
    });
  } catch (error) {
    if (error instanceof TooManyNodesError) throw new GaveUp('too large');
    if (error instanceof Error && /backreference/i.test(error.message)) throw new NotRegular('refers back');
    // The engine compiles what the reader of patterns does not know: new syntax, or names that its tables of Unicode lack.
    throw new GaveUp('name too new');
  }
}

/** Where a part of a pattern stands: inside of a look back nothing that looks ahead is followed. */
type LookDirection = 'in the open' | 'looking back';

/** Steps that a node stands for. */
const stepsOfNode = 20;

class Drawing {
  readonly nodes: Node[] = [];
  readonly behind: Table[] = [];

  constructor(private readonly limits: Limits) {}

  add(node: Node): number {
    if (this.nodes.length >= this.limits.nodes) throw new GaveUp('too large');
    this.limits.budget.spend(stepsOfNode);
    return this.nodes.push(node) - 1;
  }

  /** Any number of any characters, then on. */
  loop(to: number): number {
    const fork = this.add({ does: 'fork', to: [] });
    const any = this.add({ does: 'take', set: everything, to: fork });
    (this.nodes[fork] as { to: number[] }).to.push(any, to);
    return fork;
  }

  anyOf(alternatives: readonly Concatenation[], to: number, standing: LookDirection): number {
    const ways = alternatives.map(({ elements }) => this.row(elements, to, standing));
    return ways.length === 1 ? (ways[0] as number) : this.add({ does: 'fork', to: ways });
  }

  private row(elements: readonly Element[], to: number, standing: LookDirection): number {
    return elements.reduceRight((next, element) => this.one(element, next, standing), to);
  }

  private one(element: Element, to: number, standing: LookDirection): number {
    switch (element.type) {
      case 'CharacterClass':
        return this.add({ does: 'take', set: element.characters, to });
      case 'Alternation':
        return this.anyOf(element.alternatives, to, standing);
      case 'Quantifier':
        return this.repeated(element, to, standing);
      case 'Assertion':
        return this.looking(element, to, standing);
      case 'Unknown':
        throw new NotRegular('syntax not followed');
    }
  }

  private repeated(
    { alternatives, min, max }: Extract<Element, { type: 'Quantifier' }>,
    to: number,
    standing: LookDirection,
  ): number {
    let next = to;
    if (max === Number.POSITIVE_INFINITY) {
      const fork = this.add({ does: 'fork', to: [] });
      const body = this.anyOf(alternatives, fork, standing);
      (this.nodes[fork] as { to: number[] }).to.push(body, to);
      next = fork;
    } else
      for (let time = min; time < max; time++)
        next = this.add({ does: 'fork', to: [this.anyOf(alternatives, next, standing), to] });
    for (let time = 0; time < min; time++) next = this.anyOf(alternatives, next, standing);
    return next;
  }

  private looking(
    { alternatives, kind, negate }: Extract<Element, { type: 'Assertion' }>,
    to: number,
    standing: LookDirection,
  ): number {
    if (kind === 'ahead') {
      if (standing === 'looking back') throw new NotRegular('looks ahead while looking back');
      if (negate && isAnything(alternatives)) return this.add({ does: 'end', to });
      if (negate) {
        const rest = this.loop(this.add({ does: 'accept' }));
        return this.add({ does: 'not ahead', body: this.anyOf(alternatives, rest, standing), to });
      }
      const done = this.add({ does: 'done' });
      return this.add({ does: 'ahead', body: this.anyOf(alternatives, done, standing), to });
    }
    if (negate && isAnything(alternatives)) return this.add({ does: 'begin', to });
    const table = this.behind.push(this.endingWith(alternatives)) - 1;
    return this.add({ does: 'behind', table, negate, to });
  }

  /** The texts that end with the body of a look back. */
  private endingWith(alternatives: readonly Concatenation[]): Table {
    const inner = new Drawing(this.limits);
    const body = inner.anyOf(alternatives, inner.add({ does: 'accept' }), 'looking back');
    return determined({ nodes: inner.nodes, start: inner.loop(body), behind: inner.behind }, this.limits);
  }
}

const everything = JS.createCharSet([{ kind: 'any' }], { unicode: true, dotAll: true });

function isAnything(alternatives: readonly Concatenation[]): boolean {
  const [only] = alternatives;
  const [element] = only?.elements ?? [];
  return (
    alternatives.length === 1 &&
    only?.elements.length === 1 &&
    element?.type === 'CharacterClass' &&
    element.characters.isAll
  );
}
