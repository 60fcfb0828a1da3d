import { useMemo } from 'react';
import { sendingDifferences } from '@/core/compare/sending-differences';
import type { Field } from '@/core/form/field';
import type { SubmissionOutlook } from '@/core/model/submission-outlook';
import { answerTo } from '@/core/observation/answers';
import type { Sending, SubmissionObservation } from '@/core/observation/observation';
import { targetName } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
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
    return told.map((one) => {
      const isReference = one.target.id === lineUp.reference;
      const differences =
        isReference || !reference || !one.sending
          ? []
          : sendingDifferences(
              reference,
              one.sending,
              targetName(lineUp, lineUp.reference),
              reading.fields,
            ).map(({ text }) => text);
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
      if (outcome.status !== 'answered') return { target, sending: null, observation, note: outcome.reason };
      return { target, sending: filled ? outcome.facts.filled : outcome.facts.asIs, observation, note: null };
    }

    function modelled(target: Target): SubmissionObservation | undefined {
      return outlook?.observations.find((one) => one.target === target.id && one.field === button?.id);
    }
  }, [button, filled, outlook, form.markup, reading.fields, answers, run, lineUp]);
}
