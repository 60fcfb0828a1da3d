import type { Verdict } from '../guard/verdict';
import type { Budget } from '../regexp/budget';
import { plainest } from './plain-characters';

/** What was found by trying, where no table can be made: `searched` says that more may be there than was looked at. */
export interface SearchedStanding {
  readonly verdict: Verdict;
  /** For an unfinished text, what makes it one that is accepted. */
  readonly rest: string | null;
  /** Refused only as far as was looked. */
  readonly searched: boolean;
}

/** Most characters that are put behind a text, and most texts that are tried. */
const [deepest, mostTried] = [6, 3000];
/** Steps that a try stands for. */
const stepsOfTry = 60;

/**
 * Tries what a text can become, the shortest first.
 * Throws `GaveUp`.
 * @param letters characters that the rule speaks of, the likeliest first
 */
export function searchedStanding(
  accepts: (text: string) => boolean,
  text: string,
  letters: readonly string[],
  budget: Budget,
): SearchedStanding {
  if (accepts(text)) return { verdict: 'accepted', rest: null, searched: false };
  const tried = [...new Set([...letters, ...plainest.slice(0, 12)])].slice(0, 24);
  let [layer, count] = [[''], 0];
  for (let depth = 1; depth <= deepest && count < mostTried; depth++) {
    const next: string[] = [];
    for (const before of layer)
      for (const letter of tried) {
        if (count++ >= mostTried) break;
        budget.spend(stepsOfTry);
        const rest = before + letter;
        if (accepts(text + rest)) return { verdict: 'unfinished', rest, searched: false };
        next.push(rest);
      }
    layer = next;
  }
  return { verdict: 'refused', rest: null, searched: true };
}
