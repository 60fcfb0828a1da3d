import type { BypassCell, BypassRow } from './facts';

/** Ways by which a person brings in what a guard should keep out; a script is the page's own. */
export function pastCells({ cells }: BypassRow): BypassCell[] {
  return cells.filter(({ route, outcome }) => outcome === 'bypassed' && route !== 'script');
}

/** Whether a guard keeps out all that it should, and no more. */
export function isTight(row: BypassRow): boolean {
  return pastCells(row).length === 0 && row.cells.every(({ outcome }) => outcome !== 'blocked too much');
}
