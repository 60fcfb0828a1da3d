'use client';

import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { ReplayWork } from '@/workers/replay.worker';

/** How long the worker may be silent before it is taken to be stuck, ms. */
export const patience = 3000;

export type Replaying<Answer> =
  | { readonly status: 'waiting' }
  | { readonly status: 'there'; readonly answer: Answer }
  /** The worker was ended. */
  | { readonly status: 'stuck' };

interface Working {
  readonly remote: Remote<ReplayWork>;
  end(): void;
}

function startWorker(): Working {
  const worker = new Worker(new URL('../../workers/replay.worker.ts', import.meta.url), { type: 'module' });
  return { remote: wrap<ReplayWork>(worker), end: () => worker.terminate() };
}

/**
 * Asks a worker of its own, again whenever the question changes; an answer to an earlier question is thrown away, and one
 * that never comes ends the worker. What was there stays shown until the next answer.
 *
 * @param ask has to be stable as long as the question is the same
 */
export function useReplay<Answer>(ask: (work: Remote<ReplayWork>) => Promise<Answer>): Replaying<Answer> {
  const [state, setState] = useState<Replaying<Answer>>({ status: 'waiting' });
  const working = useRef<Working | null>(null);
  useEffect(
    () => () => {
      working.current?.end();
      working.current = null;
    },
    [],
  );
  useEffect(() => {
    let isOver = false;
    working.current ??= startWorker();
    const timer = setTimeout(() => {
      working.current?.end();
      working.current = null;
      if (!isOver) setState({ status: 'stuck' });
    }, patience);
    void ask(working.current.remote).then((answer) => {
      clearTimeout(timer);
      if (!isOver) setState({ status: 'there', answer });
    });
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [ask]);
  return state;
}

/** A run that takes its time: with progress, and a way to stop it. */
export interface LongReplay<Answer> {
  readonly state:
    | Exclude<Replaying<Answer>, { status: 'stuck' }>
    /** The worker was ended; so many were done. */
    | { readonly status: 'stuck'; readonly done: number }
    | { readonly status: 'running'; readonly done: number }
    | { readonly status: 'idle' };
  start(ask: (work: Remote<ReplayWork>, progress: (done: number) => void) => Promise<Answer>): void;
  cancel(): void;
}

export function useLongReplay<Answer>(): LongReplay<Answer> {
  const [state, setState] = useState<LongReplay<Answer>['state']>({ status: 'idle' });
  const working = useRef<Working | null>(null);
  const end = useCallback(() => {
    working.current?.end();
    working.current = null;
  }, []);
  useEffect(() => end, [end]);
  const start = useCallback<LongReplay<Answer>['start']>(
    (ask) => {
      end();
      const mine = startWorker();
      working.current = mine;
      setState({ status: 'running', done: 0 });
      let timer = 0;
      let reached = 0;
      const alive = () => {
        window.clearTimeout(timer);
        timer = window.setTimeout(() => {
          if (working.current !== mine) return;
          end();
          setState({ status: 'stuck', done: reached });
        }, patience);
      };
      alive();
      void ask(mine.remote, (done) => {
        if (working.current !== mine) return;
        reached = done;
        alive();
        setState({ status: 'running', done });
      }).then((answer) => {
        window.clearTimeout(timer);
        if (working.current !== mine) return;
        end();
        setState({ status: 'there', answer });
      });
    },
    [end],
  );
  const cancel = useCallback(() => {
    end();
    setState({ status: 'idle' });
  }, [end]);
  return { state, start, cancel };
}
