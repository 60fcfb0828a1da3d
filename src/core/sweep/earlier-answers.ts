import { grouped } from '../grouped';
import type { PlannedQuestion } from '../questions/asking';
import { type Observation, type PageQuestion, pageQuestions } from '../questions/observation';
import type { TargetId } from '../target/target';
import type { EarlierAnswer, EarlierAnswers } from './answer-basis';
import { answerKey } from './owed-answers';
import type { EmitSweepMessage } from './sweep-message';

/** Those of earlier answers that may still hold: of engines that gave an answer, and said on what it rests. */
export function earlierAnswers(observations: readonly Observation[]): EarlierAnswers {
  const all = observations.flatMap((one): (EarlierAnswer & { target: TargetId })[] => {
    const { target, field, basis, outcome } = one;
    if (!basis || outcome.status === 'failed' || !isOfPage(one.question)) return [];
    const state = one.question === 'look' ? one.state : null;
    return [{ target, field, question: one.question, state, basis }];
  });
  return new Map(
    [...grouped(all, ({ target }) => target)].map(([target, answers]) => [
      target,
      answers.map(({ target: _, ...answer }) => answer),
    ]),
  );
}

function isOfPage(question: Observation['question']): question is PageQuestion {
  return pageQuestions.some((one) => one === question);
}

/**
 * Gives the earlier answers that a sweep keeps as answers of their own, as they were and with the time at which they were given, on the
 * basis that they have now.
 */
export function withKeptAnswers(
  observations: readonly Observation[],
  emit: EmitSweepMessage,
): EmitSweepMessage {
  const byTarget = grouped(observations, ({ target }) => target);
  return (message) => {
    if (message.type !== 'kept') return emit(message);
    const own = new Map((byTarget.get(message.target) ?? []).map((one) => [answerKey(one.field, one), one]));
    for (const { basis, ...planned } of message.answers) {
      const observation = own.get(keyOf(planned));
      if (observation) emit({ type: 'observation', observation: { ...observation, basis } });
    }
  };
}

const keyOf = (planned: PlannedQuestion) => answerKey(planned.field, planned);
