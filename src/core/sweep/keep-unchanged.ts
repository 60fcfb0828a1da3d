import { grouped } from '../grouped';
import { type Asking, type PlannedQuestion, planOf } from '../questions/asking';
import type { Observation } from '../questions/observation';
import type { Target } from '../target/target';
import { plainVariant } from '../target/variant';
import { type AnswerBases, answerBases } from './answer-basis';
import { answerKey } from './owed-answers';
import type { EmitSweepMessage } from './sweep-message';

type AskThem<Asked extends Target> = (
  targets: readonly Asked[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
) => Promise<void>;

/**
 * The same observer, for whom an answer costs little and an edit may change any: a target whose every answer is there from an earlier sweep
 * of the very same page is not asked again.
 *
 * @param who besides the target itself, what its answers depend on
 */
export function keepingUnchanged<Asked extends Target>(
  ask: AskThem<Asked>,
  earlier: readonly Observation[],
  who: string,
): AskThem<Asked> {
  const there = grouped(earlier, ({ target }) => target);
  return async (targets, asking, emit, signal) => {
    // A page of the developer's own may be another one behind the same markup.
    if (asking.page) return ask(targets, asking, emit, signal);
    const plan = planOf(asking);
    const plannedBy = new Map(plan.map((one) => [keyOf(one), one]));
    const bases = new Map(targets.map((target) => [target.id, basesOf(target, asking, who)]));
    const left: Asked[] = [];
    for (const target of targets) {
      const kept = keptOf(plan, there.get(target.id) ?? [], bases.get(target.id));
      if (kept === null) left.push(target);
      else giveAll(target, kept, emit);
    }
    if (left.length === 0) return;
    await ask(
      left,
      asking,
      (message) => {
        if (message.type !== 'observation') return emit(message);
        const { observation } = message;
        const planned = plannedBy.get(keyOf(observation));
        const basis = planned && bases.get(observation.target)?.of(planned, null);
        emit({ type: 'observation', observation: { ...observation, ...(basis && { basis }) } });
      },
      signal,
    );
  };
}

function basesOf(target: Target, asking: Asking, who: string): AnswerBases {
  const engine = JSON.stringify([target, who]);
  return answerBases(asking, { engine, version: '', variant: plainVariant }, asking.markup);
}

/** All that is planned, as it was answered on the same basis; null where anything of it is missing. */
function keptOf(
  plan: readonly PlannedQuestion[],
  answers: readonly Observation[],
  bases: AnswerBases | undefined,
): Observation[] | null {
  const there = new Map(answers.map((one) => [keyOf(one), one]));
  const kept = plan.flatMap((planned) => {
    const answer = there.get(keyOf(planned));
    const isSame = answer?.basis && answer.basis.page === bases?.of(planned, null).page;
    return answer && isSame && answer.outcome.status !== 'failed' ? [answer] : [];
  });
  return kept.length === plan.length ? kept : null;
}

function giveAll({ id: target }: Target, answers: readonly Observation[], emit: EmitSweepMessage): void {
  emit({ type: 'started', target, total: answers.length });
  for (const observation of answers) emit({ type: 'observation', observation });
  emit({ type: 'finished', target });
}

const keyOf = (one: PlannedQuestion | Observation) => answerKey(one.field, one);
