import { DFA, JS, NFA } from 'refa';

/** A pattern as a deterministic automaton, with the states from which a match can still be reached. */
export type Automaton =
  | { readonly status: 'known'; readonly dfa: DFA; readonly alive: ReadonlySet<DFA.Node> }
  /** The language is not regular, or the automaton would be too large; the sentence says which. */
  | { readonly status: 'unknown'; readonly reason: string };

const known = new Map<string, Automaton>();
const mostNodes = 20_000;
/** The last code point: with the v flag sets are made of these (refa 0.12.1 reports the last code unit instead). */
const maxCharacter = 0x10ffff;

/**
 * Turns a pattern with the `v` flag, matched as a whole, into an automaton over code points (ECMAScript, "Patterns").
 * Assertions and backreferences are outside of what it can answer. Kept for the patterns asked about last.
 */
export function automatonOf(source: string): Automaton {
  const cached = known.get(source);
  if (cached) return cached;
  const made = build(source);
  if (known.size > 100) known.clear();
  known.set(source, made);
  return made;
}

function build(source: string): Automaton {
  try {
    const parser = JS.Parser.fromLiteral({ source, flags: 'v' });
    const { expression } = parser.parse({
      assertions: 'throw',
      backreferences: 'throw',
      maxNodes: mostNodes,
    });
    const nfa = NFA.fromRegex(expression, { maxCharacter }, {}, new NFA.LimitedNodeFactory(mostNodes));
    const dfa = DFA.fromFA(nfa, new DFA.LimitedNodeFactory(mostNodes));
    dfa.minimize();
    return { status: 'known', dfa, alive: nodesBeforeAnEnd(dfa) };
  } catch (error) {
    return { status: 'unknown', reason: error instanceof Error ? error.message : 'It cannot be read.' };
  }
}

/** The states from which an accepting one can be reached. */
function nodesBeforeAnEnd(dfa: DFA): ReadonlySet<DFA.Node> {
  const all = [...dfa.nodes()];
  const alive = new Set<DFA.Node>(dfa.finals);
  for (let grown = true; grown; ) {
    grown = false;
    for (const node of all) {
      if (alive.has(node)) continue;
      for (const next of node.out.values())
        if (alive.has(next)) {
          alive.add(node);
          grown = true;
          break;
        }
    }
  }
  return alive;
}
