import type { Sides } from '../../observation/sides';
import { type TitleDifference, titleDifferences } from '../../observation/title-difference';
import type { MessageFacts } from './facts';

export type MessageDifference =
  /** Whether it takes part in validation. */
  | Sides<'validation', boolean>
  | Sides<'flags', readonly string[]>
  | Sides<'message', string>
  | TitleDifference;

export function messageDifferences(reference: MessageFacts, other: MessageFacts): MessageDifference[] {
  const found: MessageDifference[] = [];
  if (reference.willValidate !== other.willValidate)
    found.push({ what: 'validation', here: other.willValidate, there: reference.willValidate });
  if (reference.flags.join() !== other.flags.join())
    found.push({ what: 'flags', here: other.flags, there: reference.flags });
  if (reference.message !== null && other.message !== null && reference.message !== other.message)
    found.push({ what: 'message', here: other.message, there: reference.message });
  found.push(...titleDifferences('message', reference.saysTitle, other.saysTitle));
  return found;
}
