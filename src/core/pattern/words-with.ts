import type { CharRange, DFA } from 'refa';
import { automatonOf } from './automaton';

/** Characters that are tried, the plainest first. Sets that a pattern names one by one are tried whole. */
const plainest = [
  ...'aA1-.,+/@:_#*() ',
  ...Array.from({ length: 95 }, (_, index) => String.fromCharCode(0x20 + index)),
  ...'éäöüßåñçøæ',
  '😀',
];
/** A range with at most so many characters was named on purpose. */
const namedRange = 100;

/**
 * The shortest texts of a pattern that have a character of a certain sort in them, one for each such character, at most
 * so many; the shortest first. Empty where there are none, and null where nobody can tell.
 */
export function wordsWith(
  source: string,
  isWanted: (character: string) => boolean,
  most: number,
): string[] | null {
  const automaton = automatonOf(source);
  if (automaton.status === 'unknown') return null;
  const { dfa, alive } = automaton;
  const before = shortestTo(dfa, alive);
  const after = shortestFrom(dfa, alive);
  const words = new Map<string, string>();
  for (const [node, beginning] of before)
    for (const [range, next] of node.out) {
      const rest = after.get(next);
      if (rest === undefined) continue;
      for (const character of charactersIn(range)) {
        if (!isWanted(character)) continue;
        const word = beginning + character + rest;
        const other = words.get(character);
        if (other === undefined || word.length < other.length) words.set(character, word);
      }
    }
  return [...words.values()].sort((a, b) => a.length - b.length || (a < b ? -1 : 1)).slice(0, most);
}

function charactersIn({ min, max }: CharRange): string[] {
  const isIn = (character: string) => {
    const code = character.codePointAt(0) ?? 0;
    return min <= code && code <= max;
  };
  const named =
    max - min < namedRange
      ? Array.from({ length: max - min + 1 }, (_, index) => String.fromCodePoint(min + index))
      : [];
  const seen = named.filter((character) => !/\p{C}|\p{Zl}|\p{Zp}/u.test(character));
  return [...new Set([...plainest.filter(isIn), ...seen])];
}

function plainestIn(range: CharRange): string {
  return charactersIn(range)[0] ?? String.fromCodePoint(range.min);
}

/** Steps from a state, those with the plainest characters first. */
function stepsFrom(node: DFA.Node): [string, DFA.Node][] {
  const rank = (character: string) => {
    const at = plainest.indexOf(character);
    return at < 0 ? plainest.length : at;
  };
  return [...node.out]
    .map(([range, next]): [string, DFA.Node] => [plainestIn(range), next])
    .sort(([a], [b]) => rank(a) - rank(b));
}

/** The shortest text that leads from the beginning to each state. */
function shortestTo(dfa: DFA, alive: ReadonlySet<DFA.Node>): Map<DFA.Node, string> {
  const found = new Map<DFA.Node, string>();
  if (!alive.has(dfa.initial)) return found;
  found.set(dfa.initial, '');
  for (const [node, text] of found)
    for (const [character, next] of stepsFrom(node))
      if (alive.has(next) && !found.has(next)) found.set(next, text + character);
  return found;
}

/** The shortest text that leads from each state to a match, found in rounds from the ends. */
function shortestFrom(dfa: DFA, alive: ReadonlySet<DFA.Node>): Map<DFA.Node, string> {
  const found = new Map<DFA.Node, string>([...dfa.finals].map((node) => [node, '']));
  for (;;) {
    const round = [...alive].flatMap((node): [DFA.Node, string][] => {
      if (found.has(node)) return [];
      const step = stepsFrom(node).find(([, next]) => found.has(next));
      return step ? [[node, step[0] + (found.get(step[1]) ?? '')]] : [];
    });
    if (round.length === 0) return found;
    for (const [node, text] of round) found.set(node, text);
  }
}
