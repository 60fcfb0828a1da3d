import type { LookState } from '../document/look-state';
import type { FieldId } from '../html/field';
import { provenanceMarks } from '../observation/provenance';
import { type Observation, type ObservationKey, observationKey } from '../questions/observation';
import type { TargetId } from '../target/target';

/** The answers of a run, by their keys. */
export type Answers = ReadonlyMap<ObservationKey, Observation>;

/** A later answer to the same question takes the place of an earlier one. */
export function answersOf(observations: readonly Observation[]): Answers {
  return new Map(observations.map((one) => [observationKey(one), one]));
}

type AnswerTo<Q extends Observation['question']> = Extract<Observation, { question: Q }>;

/** What a target answered, whoever spoke for it: measured before captured before modelled. */
export function answerTo<Q extends Observation['question']>(
  answers: Answers,
  question: Q,
  target: TargetId,
  field: FieldId,
  state: LookState | null = null,
): AnswerTo<Q> | undefined {
  const end = `|${question}${state ? `/${state}` : ''}|${field}`;
  for (const mark of provenanceMarks) {
    const found = answers.get(`${target}|${mark}${end}` as ObservationKey);
    if (found) return found as AnswerTo<Q>;
  }
  return undefined;
}
