import type { Guard } from '../guard/guard';
import type { BypassRow } from '../questions/restriction/facts';
import { formatScript } from '../script/script-text';

/** A guard that listens where a soft keyboard does not speak. */
export interface KeydownOnlyGuard {
  readonly guard: Guard;
  /** The ways of a soft keyboard by which the text bypassed it. */
  readonly past: readonly ('soft keys' | 'composition')[];
  /** The shortest script that shows it. */
  readonly script: string;
}

/** Of the table of ways in, the guards that hold under hardware keys and are bypassed by soft ones. */
export function keydownOnlyGuards(rows: readonly BypassRow[]): KeydownOnlyGuard[] {
  return rows.flatMap(({ guard, cells }) => {
    const by = (route: string) => cells.find((cell) => cell.route === route);
    const hears = ['held', 'rewritten', 'blocked too much'].includes(by('hardware keys')?.outcome ?? '');
    const past = (['soft keys', 'composition'] as const).filter((route) => by(route)?.outcome === 'bypassed');
    const [first] = past;
    if (!guard.on || !hears || first === undefined) return [];
    return [{ guard, past, script: formatScript(by(first)?.script ?? []) }];
  });
}
