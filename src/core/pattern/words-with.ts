import { charactersIn } from './plain-characters';
import type { Table } from './table';
import { edgesOf, shortestFrom, shortestTo } from './texts';

/**
 * The shortest texts of a table that have a character of a certain sort in them, one for each such character, at most so
 * many; the shortest first.
 */
export function wordsWith(table: Table, isWanted: (character: string) => boolean, most: number): string[] {
  const words = new Map<string, string>();
  for (const [state, beginning] of shortestTo(table))
    for (const { min, max, to } of edgesOf(table, state))
      for (const character of charactersIn(min, max)) {
        if (!isWanted(character)) continue;
        const word = beginning + character + (shortestFrom(table, to) ?? '');
        const other = words.get(character);
        if (other === undefined || word.length < other.length) words.set(character, word);
      }
  return [...words.values()].sort((a, b) => a.length - b.length || (a < b ? -1 : 1)).slice(0, most);
}
