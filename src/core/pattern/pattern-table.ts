import { type Budget, GaveUp } from '../regexp/budget';
import type { Pattern } from '../regexp/pattern';
import type { UnworkedCode } from '../regexp/unworked';
import { patternFault } from '../standard/pattern-attribute';
import { determined } from './determine';
import { type Limits, mostStates, usualBudget } from './limits';
import { NotRegular, webOf } from './nodes';
import type { Table } from './table';

export type PatternTable =
  | { readonly status: 'known'; readonly table: Table }
  /** It is no pattern. */
  | { readonly status: 'fault'; readonly reason: string }
  /** Not regular, or too large; why, to be read behind “because”. */
  | { readonly status: 'unknown'; readonly why: UnworkedCode };

const known = new Map<string, PatternTable>();
const mostKept = 100;
const mostNodes = 20_000;

/**
 * What a pattern accepts (ECMAScript, "Patterns"), exactly. Kept for the patterns asked about last.
 * @param shared steps that it may take together with others; a budget of its own where it is left out
 */
export function patternTable({ source, flags = 'v', match }: Pattern, shared?: Budget): PatternTable {
  const key = `${flags} ${match} ${source}`;
  const cached = known.get(key);
  if (cached) return cached;
  const made = build(source, flags, match, {
    nodes: mostNodes,
    states: mostStates,
    budget: shared ?? usualBudget(),
  });
  // Given up early, it may still be known to whoever has more steps.
  if (made.status === 'unknown' && shared) return made;
  if (known.size >= mostKept) known.clear();
  known.set(key, made);
  return made;
}

function build(source: string, flags: 'v' | 'u', match: Pattern['match'], limits: Limits): PatternTable {
  // The engine's own reading first: what it does not compile, nobody reads.
  const fault = patternFault(source, flags);
  if (fault !== null) return { status: 'fault', reason: fault };
  try {
    return { status: 'known', table: determined(webOf(source, flags, match, limits), limits) };
  } catch (error) {
    if (error instanceof NotRegular || error instanceof GaveUp) return { status: 'unknown', why: error.code };
    throw error;
  }
}
