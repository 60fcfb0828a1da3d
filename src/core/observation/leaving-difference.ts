import type { Sides } from './sides';

/** At which sides of the window something reaches past it. */
export type LeavingDifference = Sides<'window', readonly string[]>;

export function leavingDifferences(
  { leaves: there }: { readonly leaves: readonly string[] },
  { leaves: here }: { readonly leaves: readonly string[] },
): LeavingDifference[] {
  return there.join() === here.join() ? [] : [{ what: 'window', here, there }];
}
