'use client';

import { useEffect, useState } from 'react';
import { openDatabase } from '@/store/database';
import { observationsOf } from '@/store/runs';
import { startReplayer } from '@/workers/replayer';
import { useRun } from '../frame/use-run';
import { useKeyboardSetup } from './use-findings';

/** Of one sweep, how many findings it has by what they do to the person, in the order of `harms`. */
export interface SweepCounts {
  readonly startedAt: string;
  readonly counts: readonly number[];
}

/** Most sweeps that are counted, the latest ones. */
const most = 12;

/** The findings of the form's sweeps, the earliest first, as they are reckoned one by one. */
export function useOverTime(): readonly SweepCounts[] {
  const { runs } = useRun();
  const setup = useKeyboardSetup();
  const [told, setTold] = useState<readonly SweepCounts[]>([]);
  // A run that goes on is told of again and again; when one comes or ends is what counts.
  const key = runs
    .slice(0, most)
    .map(({ id, finishedAt }) => `${id} ${finishedAt}`)
    .join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the runs are in the key
  useEffect(() => {
    if (runs.length < 2) {
      setTold([]);
      return;
    }
    const replayer = startReplayer();
    let isOver = false;
    void (async () => {
      const counted: SweepCounts[] = [];
      for (const run of runs.slice(0, most).reverse()) {
        const observations = await observationsOf(openDatabase(), run.id);
        const { form, lineUp } = run;
        const counts = await replayer.work.harmsOfRun({ form, lineUp, observations }, setup);
        if (isOver) return;
        counted.push({ startedAt: run.startedAt, counts });
        setTold([...counted]);
      }
    })();
    return () => {
      isOver = true;
      replayer.end();
    };
  }, [key, setup]);
  return told;
}
