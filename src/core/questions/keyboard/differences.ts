import type { Sides } from '../../observation/sides';
import { type KeyboardFacts, untold } from './facts';

export type KeyboardDifference =
  /** The layout that came up; null: no keyboard. */
  Sides<'keyboard', string | null> | Sides<'in sight', boolean>;

export function keyboardDifferences(reference: KeyboardFacts, other: KeyboardFacts): KeyboardDifference[] {
  const found: KeyboardDifference[] = [];
  const isTold = reference.layout !== untold && other.layout !== untold;
  if (isTold && reference.layout !== other.layout)
    found.push({ what: 'keyboard', here: other.layout, there: reference.layout });
  if (reference.fieldInSight !== other.fieldInSight)
    found.push({ what: 'in sight', here: other.fieldInSight, there: reference.fieldInSight });
  return found;
}
