import { useMemo } from 'react';
import type { Field } from '@/core/html/field';
import type { SubmissionOutlook } from '@/core/model/submission-outlook';
import { sendingDifferences } from '@/core/questions/submission/differences';
import type { Sending, SubmissionObservation } from '@/core/questions/submission/facts';
import { answerTo } from '@/core/run/answers';
import { targetName } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { unansweredText } from '@/core/words/reason-words';
import { sendingDifferenceWords } from '@/core/words/sending-difference-words';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';

/** What comes of pressing a button, in one target. */
export interface TargetSending {
  readonly target: Target;
  /** Null where nobody can tell; `note` says why. */
  readonly sending: Sending | null;
  readonly observation: SubmissionObservation | null;
  readonly note: string | null;
  readonly isReference: boolean;
  /** How it differs from the reference, one sentence each. */
  readonly differences: readonly string[];
}

/** What every target of the line-up sends by a button: as it was measured, or else as the model has it. */
export function useSendings(
  button: Field | null,
  filled: boolean,
  outlook: SubmissionOutlook | null,
): TargetSending[] {
  const { form, reading } = useForm();
  const { answers, run } = useRun();
  const { lineUp } = useLineUp();
  return useMemo(() => {
    if (!button) return [];
    const asked = run?.form.markup === form.markup ? answers : new Map();
    const told = lineUp.targets.map((target) =>
      tell(target, answerTo(asked, 'submission', target.id, button.id)),
    );
    const reference = told.find(({ target }) => target.id === lineUp.reference)?.sending ?? null;
    const there = targetName(lineUp, lineUp.reference);
    return told.map((one) => {
      const isReference = one.target.id === lineUp.reference;
      const differences =
        isReference || !reference || !one.sending
          ? []
          : sendingDifferences(reference, one.sending, reading.fields).map((difference) =>
              sendingDifferenceWords(difference, { here: [one.target.name], there }),
            );
      return { ...one, isReference, differences };
    });

    function tell(target: Target, measured: SubmissionObservation | undefined) {
      const observation = measured ?? modelled(target);
      if (!observation)
        return {
          target,
          sending: null,
          observation: null,
          note: outlook ? 'not asked yet' : 'working it out…',
        };
      const { outcome } = observation;
      if (outcome.status !== 'answered')
        return { target, sending: null, observation, note: unansweredText(outcome) };
      return { target, sending: filled ? outcome.facts.filled : outcome.facts.asIs, observation, note: null };
    }

    function modelled(target: Target): SubmissionObservation | undefined {
      return outlook?.observations.find((one) => one.target === target.id && one.field === button?.id);
    }
  }, [button, filled, outlook, form.markup, reading.fields, answers, run, lineUp]);
}
