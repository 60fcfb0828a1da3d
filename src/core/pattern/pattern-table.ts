import { patternFault } from '../standard/pattern-attribute';
import { determined } from './determine';
import { GaveUp } from './limits';
import { NotRegular, webOf } from './nodes';
import type { Table } from './table';

/** A pattern as it is read: with the v flag unless another is given, and held against all of a text or against a part of it. */
export interface Pattern {
  readonly source: string;
  readonly flags?: 'v' | 'u';
  readonly match: 'whole' | 'part';
}

export type PatternTable =
  | { readonly status: 'known'; readonly table: Table }
  /** It is no pattern. */
  | { readonly status: 'fault'; readonly reason: string }
  /** Not regular, or too large; why, to be read behind “because”. */
  | { readonly status: 'unknown'; readonly reason: string };

const known = new Map<string, PatternTable>();
const mostKept = 100;
const limits = { nodes: 20_000, states: 20_000 };
const mostPatience = 2000;

/**
 * What a pattern accepts (ECMAScript, "Patterns"), exactly. Kept for the patterns asked about last.
 * @param patience after so long it is given up, ms
 */
export function patternTable({ source, flags = 'v', match }: Pattern, patience = mostPatience): PatternTable {
  const key = `${flags} ${match} ${source}`;
  const cached = known.get(key);
  if (cached) return cached;
  const made = build(source, flags, match, patience);
  // Given up early, it may still be known to whoever has more patience.
  if (made.status === 'unknown' && patience < mostPatience) return made;
  if (known.size >= mostKept) known.clear();
  known.set(key, made);
  return made;
}

function build(source: string, flags: 'v' | 'u', match: Pattern['match'], patience: number): PatternTable {
  // The engine's own reading first: what it does not compile, nobody reads.
  const fault = patternFault(source, flags);
  if (fault !== null) return { status: 'fault', reason: fault };
  try {
    const all = { ...limits, until: Date.now() + patience };
    return { status: 'known', table: determined(webOf(source, flags, match, all), all) };
  } catch (error) {
    if (error instanceof NotRegular || error instanceof GaveUp)
      return { status: 'unknown', reason: error.message };
    // A pattern that this engine compiles and the reader of patterns does not know yet.
    if (error instanceof SyntaxError) return { status: 'unknown', reason: 'its syntax is too new for Ukko' };
    throw error;
  }
}
