'use client';

import { useCallback } from 'react';
import type { Observation } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import { openDatabase } from '@/store/database';
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
  const runFor = useSteady(async () => {
    if (run?.form.markup === form.markup) return run.id;
    const begun = await beginRun(openDatabase(), form, lineUp);
    await finishRun(openDatabase(), begun.id);
    select({ run: begun.id });
    return begun.id;
  });
  return useCallback(
    async (observations, pictures) => keep(openDatabase(), await runFor(), observations, pictures),
    [runFor],
  );
}
