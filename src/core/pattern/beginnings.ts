import { DFA, JS, NFA } from 'refa';

/** What the texts of a pattern begin with: whether a text can still become one that matches as a whole. */
export type Beginnings =
  | { readonly status: 'known'; canBegin(text: string): boolean }
  /** The language is not regular, or the automaton would be too large; the sentence says which. */
  | { readonly status: 'unknown'; readonly reason: string };

const known = new Map<string, Beginnings>();
const mostNodes = 20_000;
/** The last code point: with the v flag sets are made of these (refa 0.12.1 reports the last code unit instead). */
const maxCharacter = 0x10ffff;

/**
 * Turns a pattern with the `v` flag into an automaton (ECMAScript, "Patterns"), to be walked stroke by stroke.
 * Assertions and backreferences are outside of what it can answer.
 */
export function beginningsOf(source: string): Beginnings {
  const cached = known.get(source);
  if (cached) return cached;
  const made = build(source);
  if (known.size > 100) known.clear();
  known.set(source, made);
  return made;
}

function build(source: string): Beginnings {
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
    const alive = nodesBeforeAnEnd(dfa);
    return {
      status: 'known',
      canBegin: (text) => {
        let node: DFA.Node | undefined = dfa.initial;
        for (const character of text) {
          node = node.out.get(character.codePointAt(0) ?? 0);
          if (!node || !alive.has(node)) return false;
        }
        return alive.has(dfa.initial);
      },
    };
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
