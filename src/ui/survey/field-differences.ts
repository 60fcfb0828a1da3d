import type { Lens, LensState } from '@/core/compare/lens';
import type { Field } from '@/core/html/field';
import type { Difference } from '@/core/questions/differences';
import type { TargetId } from '@/core/target/target';
import type { TargetComparison } from '../frame/use-comparison';

/** How the answers about one field differ under a lens, by target. */
export type Differences = ReadonlyMap<TargetId, readonly Difference[]>;

export function differencesOf(
  field: Field,
  comparison: TargetComparison,
  lens: Lens,
  state: LensState,
): Differences {
  return new Map(
    comparison.lineUp.targets.map((target) => [target.id, comparison.through(lens, state, target, field.id)]),
  );
}

export function countOf(differences: Differences): number {
  return [...differences.values()].reduce((sum, list) => sum + list.length, 0);
}
