'use client';

import { useCallback, useRef } from 'react';
import type { Picture } from '@/core/observation/picture';
import type { Observation } from '@/core/questions/observation';
import { openDatabase, type StoredRun } from '@/store/database';
import { beginRun, finishRun, keep } from '@/store/runs';
import { useForm } from './use-form';
import { useLineUp } from './use-line-up';
import { useRun } from './use-run';
import { useSelection } from './use-selection';
import { useSteady } from './use-steady';

/** Keeps answers that came outside of a sweep: in the run that is shown, or in a new one where the form has changed since. */
export function useKeepAnswers(): (
  observations: readonly Observation[],
  pictures: readonly Picture[],
) => Promise<void> {
  const { form } = useForm();
  const { run } = useRun();
  const { lineUp } = useLineUp();
  const [, select] = useSelection();
  // The run that was begun last is shown a moment later than it is there.
  const begun = useRef<StoredRun | null>(null);
  const queue = useRef(Promise.resolve());
  const runFor = useSteady(async () => {
    const known = [run, begun.current].find((one) => one?.form.markup === form.markup);
    if (known) return known.id;
    begun.current = await beginRun(openDatabase(), form, lineUp);
    await finishRun(openDatabase(), begun.current.id);
    select({ run: begun.current.id });
    return begun.current.id;
  });
  return useCallback(
    (observations, pictures) => {
      const kept = queue.current.then(async () =>
        keep(openDatabase(), await runFor(), observations, pictures),
      );
      // What cannot be kept is told to whom it concerns; what comes after is tried again.
      queue.current = kept.catch(() => undefined);
      return kept;
    },
    [runFor],
  );
}
