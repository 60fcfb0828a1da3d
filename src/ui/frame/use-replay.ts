'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Replayer, startReplayer } from '@/workers/replayer';

/** How long the worker may be silent before it is taken to be stuck, ms. */
export const patience = 3000;

export type Replaying<Answer> =
  | { readonly status: 'waiting' }
  | { readonly status: 'there'; readonly answer: Answer }
  /** The worker was ended. */
  | { readonly status: 'stuck' };

type Ask<Answer> = (replayer: Replayer) => Promise<Answer>;

/**
 * Asks a worker of its own, again whenever the question changes; an answer to an earlier question is thrown away, and one
 * that never comes ends the worker. What was there stays shown until the next answer.
 *
 * @param ask has to be stable as long as the question is the same
 * @returns what came of it, and a way to begin with a question that will be asked when all is drawn anew: the worker is done
 *   with it by then
 */
export function useReplay<Answer>(
  ask: Ask<Answer>,
): readonly [Replaying<Answer>, (next: Ask<Answer>) => void] {
  const [state, setState] = useState<Replaying<Answer>>({ status: 'waiting' });
  const working = useRef<Replayer | null>(null);
  const begun = useRef<{ readonly ask: Ask<Answer>; readonly answer: Promise<Answer> } | null>(null);
  useEffect(
    () => () => {
      working.current?.end();
      working.current = null;
    },
    [],
  );
  const begin = useCallback((next: Ask<Answer>) => {
    working.current ??= startReplayer();
    begun.current = { ask: next, answer: next(working.current) };
  }, []);
  useEffect(() => {
    let isOver = false;
    if (begun.current?.ask !== ask) begin(ask);
    const timer = setTimeout(() => {
      working.current?.end();
      working.current = null;
      begun.current = null;
      if (!isOver) setState({ status: 'stuck' });
    }, patience);
    void begun.current?.answer.then((answer) => {
      clearTimeout(timer);
      if (!isOver) setState({ status: 'there', answer });
    });
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [ask, begin]);
  return [state, begin];
}

/** A run that takes its time: with progress, and a way to stop it. */
export interface LongReplay<Answer> {
  readonly state:
    | Exclude<Replaying<Answer>, { status: 'stuck' }>
    /** The worker was ended; so many were done. */
    | { readonly status: 'stuck'; readonly done: number }
    | { readonly status: 'running'; readonly done: number }
    | { readonly status: 'idle' };
  start(ask: (work: Replayer['work'], progress: (done: number) => void) => Promise<Answer>): void;
  cancel(): void;
}

export function useLongReplay<Answer>(): LongReplay<Answer> {
  const [state, setState] = useState<LongReplay<Answer>['state']>({ status: 'idle' });
  const working = useRef<Replayer | null>(null);
  const end = useCallback(() => {
    working.current?.end();
    working.current = null;
  }, []);
  useEffect(() => end, [end]);
  const start = useCallback<LongReplay<Answer>['start']>(
    (ask) => {
      end();
      const mine = startReplayer();
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
      void ask(mine.work, (done) => {
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
