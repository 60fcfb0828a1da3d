'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { FormDocument } from '@/core/document/form-document';
import type { Finding } from '@/core/finding/finding';
import { asEarlierFields, type RemedyTrial } from '@/core/finding/remedy-trial';
import type { Picture } from '@/core/observation/picture';
import { type Asking, planOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { type Answers, answersOf } from '@/core/run/answers';
import type { Target } from '@/core/target/target';
import { findingsWorker } from '@/workers/findings';

export type Trying =
  | { readonly status: 'idle' }
  | { readonly status: 'asking'; readonly done: number; readonly total: number }
  | {
      readonly status: 'told';
      readonly before: Answers;
      readonly after: Answers;
      readonly pictures: ReadonlyMap<string, Picture>;
    };

/** What is asked to see what a remedy does; null until it is known, and where nothing of it can be seen. */
export function useTrialOf(form: FormDocument, finding: Finding): RemedyTrial | null {
  const [known, setKnown] = useState<{
    readonly form: FormDocument;
    readonly finding: Finding;
    readonly trial: RemedyTrial | null;
  } | null>(null);
  useEffect(() => {
    let isOver = false;
    void findingsWorker()
      .trial(form, finding)
      .then((trial) => {
        if (!isOver) setKnown({ form, finding, trial });
      });
    return () => {
      isOver = true;
    };
  }, [form, finding]);
  return known?.form === form && known.finding === finding ? known.trial : null;
}

/** Asks targets about a form with a remedy applied, beside the form as it is. Nothing of it is kept. */
export function useRemedyTrial(trial: RemedyTrial | null): {
  readonly trying: Trying;
  ask(targets: readonly Target[]): void;
  cancel(): void;
} {
  const [trying, setTrying] = useState<Trying>({ status: 'idle' });
  const abort = useRef<AbortController | null>(null);
  const cancel = useCallback(() => {
    abort.current?.abort();
    abort.current = null;
    setTrying({ status: 'idle' });
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was told is of the trial before
  useEffect(() => cancel, [trial, cancel]);
  const ask = useCallback(
    (targets: readonly Target[]) => {
      if (!trial || abort.current) return;
      const controller = new AbortController();
      abort.current = controller;
      const total = (planOf(trial.before).length + planOf(trial.after).length) * targets.length;
      let done = 0;
      const pictures = new Map<string, Picture>();
      const told = async (asking: Asking): Promise<Observation[]> => {
        // The view needs neither until somebody asks.
        const [{ sweep }, { observersAfter }] = await Promise.all([
          import('@/core/sweep/sweep'),
          import('../frame/observers'),
        ]);
        const observations: Observation[] = [];
        await sweep(
          targets,
          asking,
          observersAfter([]),
          (message) => {
            if (message.type === 'picture') pictures.set(message.picture.id, message.picture);
            if (message.type !== 'observation') return;
            observations.push(message.observation);
            done++;
            if (!controller.signal.aborted) setTrying({ status: 'asking', done, total });
          },
          controller.signal,
        );
        return observations;
      };
      setTrying({ status: 'asking', done, total });
      // One after the other: two sweeps are all that a server runs at once.
      void told(trial.before)
        .then(async (before) => [before, await told(trial.after)] as const)
        .then(([before, after]) => {
          if (controller.signal.aborted) return;
          abort.current = null;
          setTrying({
            status: 'told',
            before: answersOf(before),
            after: asEarlierFields(trial, after),
            pictures,
          });
        })
        .catch(() => {
          if (!controller.signal.aborted) cancel();
        });
    },
    [trial, cancel],
  );
  return { trying, ask, cancel };
}
