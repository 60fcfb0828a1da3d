import { type LeavingDifference, leavingDifferences } from '../../observation/leaving-difference';
import type { Sides } from '../../observation/sides';
import type { OpeningFacts } from './facts';

export type OpeningDifference = Sides<'opening', Pick<OpeningFacts, 'opened' | 'tried'>> | LeavingDifference;

export function openingDifferences(reference: OpeningFacts, other: OpeningFacts): OpeningDifference[] {
  const found: OpeningDifference[] = [];
  if (reference.opened !== other.opened)
    found.push({
      what: 'opening',
      here: { opened: other.opened, tried: other.tried },
      there: { opened: reference.opened, tried: reference.tried },
    });
  if (reference.opened && other.opened) found.push(...leavingDifferences(reference, other));
  return found;
}
