import { type Fault, faultIdentity } from '../fault/fault';
import { type FindingId, findingId } from './finding';

/** The id of a fault of the markup: its code, its field, and what the fault is about. No sentence is part of it. */
export function markupFindingId(field: string | null, fault: Fault): FindingId {
  const [code, ...about] = faultIdentity(fault);
  return findingId('markup', code, field ?? '', ...about);
}
