import type { TargetId } from '../target/target';
import { type Asking, type PlannedQuestion, planOf } from './asking';
import type { Observation } from './observation';
import type { Provenance } from './provenance';

/** What one target was asked and has not answered yet. */
export interface OwedAnswers {
  /** Answers planned in all. */
  readonly total: number;
  /** Notes an answer as given. */
  give(observation: Observation): void;
  /** Failed observations for everything still owed. */
  failed(target: TargetId, provenance: Provenance, reason: string): Observation[];
}

/** Keeps the books of one target's part of a sweep, so that what never came is named and not silently missing. */
export function owedAnswers(asking: Asking): OwedAnswers {
  const plan = planOf(asking);
  const owed = new Map(plan.map((planned) => [keyOf(planned), planned]));
  return {
    total: plan.length,
    give({ question, field, ...rest }) {
      if (question !== 'keyboard')
        owed.delete(keyOf({ question, field, state: 'state' in rest ? rest.state : null }));
    },
    failed(target, provenance, reason) {
      const at = new Date().toISOString();
      return [...owed.values()].map(({ question, field, state }) => {
        const asked = { field, target, provenance, at, outcome: { status: 'failed', reason } } as const;
        return question === 'look'
          ? { ...asked, question, state: state ?? 'closed' }
          : { ...asked, question };
      });
    },
  };
}

function keyOf({ question, field, state }: PlannedQuestion): string {
  return `${question}/${state ?? ''}/${field}`;
}
