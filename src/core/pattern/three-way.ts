import { dead, step, type Table } from './table';
import { shortestFrom } from './texts';

/** How a text stands to a rule. */
export type Standing =
  | { readonly verdict: 'accepted' }
  /** The shortest text that makes it one that is accepted. */
  | { readonly verdict: 'unfinished'; readonly rest: string }
  /** Nothing that begins like this is accepted: where it died, UTF-16 code units before that character. */
  | { readonly verdict: 'refused'; readonly at: number };

/** Read once from its beginning, one step of the table for each character. */
export function standingOf(table: Table, text: string): Standing {
  if (table.start === dead) return { verdict: 'refused', at: 0 };
  let state = table.start;
  for (let at = 0; at < text.length; ) {
    const codePoint = text.codePointAt(at) as number;
    state = step(table, state, codePoint);
    if (state === dead) return { verdict: 'refused', at };
    at += codePoint > 0xffff ? 2 : 1;
  }
  if (table.accepts[state] === 1) return { verdict: 'accepted' };
  return { verdict: 'unfinished', rest: restFrom(table, state) };
}

const rests = new WeakMap<Table, (string | undefined)[]>();

/** The shortest way to the end, looked for once for each state. */
function restFrom(table: Table, state: number): string {
  const known = rests.get(table) ?? [];
  rests.set(table, known);
  known[state] ??= shortestFrom(table, state) ?? '';
  return known[state];
}
