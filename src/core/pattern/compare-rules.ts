import { allOf, without } from './combine';
import { mostStates, usualBudget } from './limits';
import { dead, type Table } from './table';
import { typicalTexts } from './texts';

/** How what one rule accepts lies to what another accepts. */
export type Relation = 'equal' | 'inside' | 'around' | 'overlapping' | 'apart';

export interface RuleComparison {
  readonly relation: Relation;
  /** Texts that the first alone accepts, the shortest first; none where there are none. */
  readonly first: readonly string[];
  readonly second: readonly string[];
  readonly both: readonly string[];
}

/** Holds two rules against each other, exactly. Throws `GaveUp`. @param most texts of each side */
export function comparedRules(first: Table, second: Table, most = 4, budget = usualBudget()): RuleComparison {
  const own = without(first, second, budget);
  const others = without(second, first, budget);
  const shared = allOf([first, second], { states: mostStates, budget });
  return {
    relation: relationOf(own.start !== dead, others.start !== dead, shared.start !== dead),
    first: typicalTexts(own, most),
    second: typicalTexts(others, most),
    both: typicalTexts(shared, most),
  };
}

function relationOf(hasOwn: boolean, hasOthers: boolean, isShared: boolean): Relation {
  if (!hasOwn) return hasOthers ? 'inside' : 'equal';
  if (!hasOthers) return 'around';
  return isShared ? 'overlapping' : 'apart';
}
