import type { ControlPart } from '../../html/control-part';
import type { Sides } from '../../observation/sides';
import type { PartsFacts, Showing } from './facts';

export type PartsDifference =
  /** Parts of a control that one side alone has. */
  | { readonly what: 'parts'; readonly only: 'here' | 'there'; readonly parts: readonly string[] }
  | Sides<'readable', Showing>
  | Sides<'order' | 'clock', string>;

export function partsDifferences(reference: PartsFacts, other: PartsFacts): PartsDifference[] {
  const found: PartsDifference[] = [];
  const both = reference.lookedFor.filter((part) => other.lookedFor.includes(part));
  const [parts, otherParts] = [partNames(reference, both), partNames(other, both)];
  const less = parts.filter((part) => !otherParts.includes(part));
  const more = otherParts.filter((part) => !parts.includes(part));
  if (less.length > 0) found.push({ what: 'parts', only: 'there', parts: less });
  if (more.length > 0) found.push({ what: 'parts', only: 'here', parts: more });
  if (reference.shows && other.shows && reference.shows !== other.shows)
    found.push({ what: 'readable', here: other.shows, there: reference.shows });
  const [order, otherOrder] = [reference.order?.join(' '), other.order?.join(' ')];
  if (order && otherOrder && order !== otherOrder)
    found.push({ what: 'order', here: otherOrder, there: order });
  if (reference.clock && other.clock && reference.clock !== other.clock)
    found.push({ what: 'clock', here: other.clock, there: reference.clock });
  return found;
}

/** The words on and in a control are compared as values and messages; what is left is what one can see and use. */
function partNames({ parts }: PartsFacts, both: readonly ControlPart[]): string[] {
  const names = parts.map(({ part }) => (part === 'text area' ? 'text box' : part));
  return [...new Set(names)].filter((part) => part !== 'text' && both.includes(part));
}
