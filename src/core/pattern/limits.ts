import { Budget } from '../regexp/budget';

/** How much room and how many steps a pattern may take to be worked out. */
export interface Limits {
  readonly nodes: number;
  readonly states: number;
  readonly budget: Budget;
}

export const mostStates = 20_000;

/** Steps that one question about a rule may take: well under a second. */
export const usualSteps = 4_000_000;

export function usualBudget(): Budget {
  return new Budget(usualSteps);
}
