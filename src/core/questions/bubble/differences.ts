import { type LeavingDifference, leavingDifferences } from '../../observation/leaving-difference';
import type { Sides } from '../../observation/sides';
import { type TitleDifference, titleDifferences } from '../../observation/title-difference';
import type { BubbleFacts } from './facts';

export type BubbleDifference = Sides<'bubble', boolean> | TitleDifference | LeavingDifference;

export function bubbleDifferences(reference: BubbleFacts, other: BubbleFacts): BubbleDifference[] {
  const found: BubbleDifference[] = [];
  if (reference.shown !== other.shown)
    found.push({ what: 'bubble', here: other.shown, there: reference.shown });
  found.push(...titleDifferences('bubble', reference.showsTitle, other.showsTitle));
  if (reference.shown && other.shown) found.push(...leavingDifferences(reference, other));
  return found;
}
