import type { Decision, Finding, FindingId } from './finding';

/**
 * Decisions by the findings that they are about. What was decided alike on each field alone is decided on the finding that tells them all
 * together.
 */
export function decided<Made extends Decision>(
  findings: readonly Pick<Finding, 'id' | 'standsFor'>[],
  decisions: readonly Made[],
): ReadonlyMap<FindingId, Made> {
  const made = new Map(decisions.map((one) => [one.finding, one]));
  for (const { id, standsFor = [] } of findings) {
    if (made.has(id)) continue;
    const [first, ...others] = standsFor.map((one) => made.get(one));
    if (first && others.every((one) => one?.kind === first.kind)) made.set(id, { ...first, finding: id });
  }
  return made;
}
