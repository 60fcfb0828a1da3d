import { useMemo } from 'react';
import { sameTask, typingDisagreements } from '@/core/compare/typing-disagreements';
import type { TypingPlan } from '@/core/document/form-document';
import { isScripted } from '@/core/document/own-page';
import type { TypingTask } from '@/core/guard/typing-task';
import type { Field } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { habitsOf } from '@/core/model/deviations/habits';
import { markOf } from '@/core/observation/provenance';
import type { TypingFacts } from '@/core/questions/typing/facts';
import type { ModelledReplay } from '@/core/replay/modelled-replay';
import { answerTo } from '@/core/run/answers';
import type { Target, TargetId } from '@/core/target/target';
import { reasonText, unansweredText, unmadeText } from '@/core/words/reason-words';
import type { Replayer } from '@/workers/replayer';
import { lastResult } from '../frame/last-result';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useRun } from '../frame/use-run';
import { useSteady } from '../frame/use-steady';
import { useSweep } from '../frame/use-sweep';
import type { LadderColumn } from './ladder';

/** What the model says of a script on each target that it can speak for. */
interface Modelled {
  /** What it says that of: until the answer to a new script is there, the ladder shows the one before. */
  readonly shown: TypingTask;
  readonly replays: ReadonlyMap<TargetId, ModelledReplay>;
  /** Why the model says nothing; null where it does. */
  readonly fault: string | null;
}

function useModelled(
  field: Field,
  task: TypingTask,
): { readonly modelled: Modelled; readonly begin: (next: TypingTask) => void } {
  const of = useReplayedField(field);
  const { lineUp } = useLineUp();
  const askFor = useMemo(() => {
    const targets = lineUp.targets.map(({ id }) => id).filter((id) => habitsOf(id));
    return lastResult((asked: TypingTask) => async (replayer: Replayer) => ({
      task: asked,
      replays: await replayer.strokes(
        of,
        asked.guards,
        targets.map((target) => [target, asked.script]),
      ),
    }));
  }, [of, lineUp]);
  const [replaying, beginWith] = useReplay(askFor(task));
  const modelled = useMemo(
    () => ({
      shown: replaying.status === 'there' ? replaying.answer.task : task,
      replays: replaying.status === 'there' ? replaying.answer.replays : noReplays,
      fault: replaying.status === 'failed' ? replaying.reason : null,
    }),
    [replaying, task],
  );
  return { modelled, begin: useSteady((next) => beginWith(askFor(next))) };
}
const noReplays: Modelled['replays'] = new Map();

/** The columns of the ladder: what was asked of a target beside what the model says of it. */
export function useColumns(
  field: Field,
  task: TypingTask,
  plan: TypingPlan,
  takeStrokes: (facts: TypingFacts) => void,
): Pick<Modelled, 'shown' | 'fault'> & {
  readonly columns: LadderColumn[];
  readonly begin: (next: TypingTask) => void;
} {
  const { answers } = useRun();
  const { lineUp } = useLineUp();
  const { ask } = useSweep();
  const { form, edit } = useForm();
  const hasScripts = isScripted(form.page);
  const { modelled, begin } = useModelled(field, task);
  const { replays, shown, fault } = modelled;
  const askOf = useSteady((target: Target) => {
    // A script that was only proposed becomes the field's own, so that it is what is asked.
    if (!ownEntry(form.typing, field.id)) edit({ typing: { ...form.typing, [field.id]: plan } }, 'adopt');
    ask('typing', field.id, [target], { [field.id]: task });
  });
  const columns = useMemo(() => {
    return lineUp.targets.flatMap((target): LadderColumn[] => {
      const { id } = target;
      const replay = replays.get(id) ?? null;
      // Of what the scripts of a page do to what is typed the model knows nothing.
      const model = (!hasScripts && replay?.facts) || null;
      if (hasScripts && (target.ask === 'model' || target.ask === 'probe'))
        return [{ ...modelColumn(target, null), mark: markOf(target), note: unaskable[target.ask] }];
      if (target.ask === 'model') return [modelColumn(target, replay)];
      const observation = answerTo(answers, 'typing', id, field.id);
      const asked = observation && observation.provenance.mark !== 'modelled' ? observation : undefined;
      const facts = asked?.outcome.status === 'answered' ? asked.outcome.facts : null;
      const current = facts && sameTask(facts, shown) ? facts : null;
      const note =
        asked && asked.outcome.status !== 'answered'
          ? unansweredText(asked.outcome)
          : facts && !current
            ? 'asked for another script or guard'
            : null;
      const disagreements = current && model ? typingDisagreements(model, current) : [];
      const agrees = model !== null && disagreements.every((list) => list.length === 0);
      if (target.ask === 'device') return [deviceColumn(target, facts, current, takeStrokes)];
      const onAsk = () => askOf(target);
      // Where nothing was asked for this script, the model speaks in the target's column.
      if (model && !current)
        return [{ ...modelColumn(target, replay), onAsk, note: note ?? 'modelled, not asked' }];
      const mark = markOf(target);
      const own: LadderColumn = {
        key: `${id} asked`,
        target: id,
        name: target.name,
        mark,
        facts: current,
        note:
          note ??
          (current
            ? standingOf(current, agrees ? `${mark}, as modelled` : hasScripts ? mark : null)
            : 'not asked yet'),
        disagreements,
        // A judgement is the model's; it speaks of the text that the target has.
        verdicts: agrees && replay ? replay.verdicts : null,
        onAsk,
        deed: current ? 'Ask again' : 'Ask',
      };
      return model && !agrees ? [own, modelColumn(target, replay)] : [own];
    });
  }, [field, shown, answers, lineUp, askOf, replays, takeStrokes, hasScripts]);
  return { columns, shown, fault, begin };
}

/** Why a target has nothing to say of a page of the developer's own. */
const unaskable = {
  model: reasonText({ code: 'model knows no page' }),
  probe: 'It cannot look into a page of another site.',
};

function modelColumn({ id, name }: Target, replay: ModelledReplay | null): LadderColumn {
  return {
    key: `${id} modelled`,
    target: id,
    name,
    mark: 'modelled',
    facts: replay?.facts ?? null,
    verdicts: replay?.verdicts ?? null,
    note: null,
    disagreements: [],
    onAsk: null,
    deed: 'Ask',
  };
}

/** A person typed there, what that person liked: it is shown when it is what the script says, and can become the script. */
function deviceColumn(
  { id, name }: Target,
  typed: TypingFacts | null,
  current: TypingFacts | null,
  onTake: (facts: TypingFacts) => void,
): LadderColumn {
  return {
    key: `${id} captured`,
    target: id,
    name,
    mark: 'captured',
    facts: current,
    note: current ? null : typed ? 'typed something else' : 'nothing typed there yet',
    disagreements: [],
    verdicts: null,
    onAsk: typed && !current ? () => onTake(typed) : null,
    deed: 'Take its strokes',
  };
}

/** What is said of strokes that were asked: why they end early, or how they go with the model. */
function standingOf({ stoppedBy }: TypingFacts, otherwise: string | null): string | null {
  return stoppedBy ? unmadeText(stoppedBy) : otherwise;
}
