import type { LookState } from '../document/look-state';
import type { FieldId } from '../html/field';
import type { Failure } from '../observation/failure';
import { type Asking, type PlannedQuestion, planOf } from '../questions/asking';
import type { Observation, PageQuestion, Question } from '../questions/observation';

/** What one target was asked and has not answered yet. */
export interface OwedAnswers {
  /** Answers that are to be given in all. */
  readonly total: number;
  /** Fields of which a question has not been answered yet, whole or in part. */
  fieldsOf(question: PageQuestion): ReadonlySet<FieldId>;
  /** What was asked, where this answer to it has not been given yet; else null. */
  askedFor(field: FieldId, given: GivenAnswer): PlannedQuestion | null;
  /** What is owed now. */
  all(): readonly PlannedQuestion[];
  /** Notes an answer as given. */
  give(answer: Pick<Observation, 'field'> & GivenAnswer): void;
  /** Failed observations for everything still owed, or for what `isMeant` picks of it. */
  failed(by: FailedAsking, failure: Failure, isMeant?: (one: Owed) => boolean): Observation[];
}

/** Who did not answer, and when that was known (ISO 8601). */
export type FailedAsking = Pick<Observation, 'target' | 'provenance' | 'at'>;

/** What an answer that is owed is about. */
export interface Owed {
  readonly question: Question;
  readonly field: FieldId;
}

/** What tells one answer from the others to the same target; `state` only of a look. */
export interface GivenAnswer {
  readonly question: Question;
  readonly state?: LookState | null;
}

/**
 * Keeps the books of one target's part of a sweep, so that what never came is named and not silently missing.
 * @param known answers that are there already
 */
export function owedAnswers(asking: Asking, known: readonly Observation[] = []): OwedAnswers {
  const owed = new Map(planOf(asking).map((planned) => [answerKey(planned.field, planned), planned]));
  for (const one of known) owed.delete(answerKey(one.field, one));
  return {
    total: owed.size,
    fieldsOf: (question) =>
      new Set([...owed.values()].filter((one) => one.question === question).map(({ field }) => field)),
    askedFor: (field, given) => owed.get(answerKey(field, given)) ?? null,
    all: () => [...owed.values()],
    give({ field, ...given }) {
      owed.delete(answerKey(field, given));
    },
    failed({ target, provenance, at }, failure, isMeant = () => true) {
      return [...owed.values()].filter(isMeant).map(({ question, field, state }) => {
        const asked = { field, target, provenance, at, outcome: { status: 'failed', failure } } as const;
        return question === 'look'
          ? { ...asked, question, state: state ?? 'closed' }
          : { ...asked, question };
      });
    },
  };
}

/** What tells an answer from the others of one target. */
export function answerKey(field: FieldId, { question, state }: GivenAnswer): string {
  return `${question}/${state ?? ''}/${field}`;
}
