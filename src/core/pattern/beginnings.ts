import type { DFA } from 'refa';
import { automatonOf } from './automaton';

/** What the texts of a pattern begin with: whether a text can still become one that matches as a whole. */
export type Beginnings =
  | { readonly status: 'known'; canBegin(text: string): boolean }
  | { readonly status: 'unknown'; readonly reason: string };

/** The beginnings of a pattern's texts, to be walked stroke by stroke. Unknown where its automaton is. */
export function beginningsOf(source: string): Beginnings {
  const automaton = automatonOf(source);
  if (automaton.status === 'unknown') return automaton;
  const { dfa, alive } = automaton;
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
}
