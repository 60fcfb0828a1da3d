'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { threadErrorText } from '@/core/words/unworked-words';
import { type Replayer, startReplayer } from '@/workers/replayer';

export type Replaying<Answer> =
  | { readonly status: 'waiting' }
  | { readonly status: 'there'; readonly answer: Answer }
  /** It was not worked out; one sentence says why. */
  | { readonly status: 'failed'; readonly reason: string };

type Ask<Answer> = (replayer: Replayer) => Promise<Answer>;

/** How long a worker may be at an earlier question before it is ended for a new one, ms. */
const patience = 1000;

/**
 * Asks a worker of its own, again whenever the question changes; an answer to an earlier question is thrown away, and a worker
 * that is still at one is ended. What was there stays shown until the next answer. What may take long is counted in steps in
 * the worker, so that an answer comes; only what measures the browser's own matcher may never end.
 *
 * @param ask has to be stable as long as the question is the same
 * @param longest after which the worker is ended and there is no answer, ms; null: it always comes
 * @returns what came of it, and a way to begin with a question that will be asked when all is drawn anew: the worker is done
 *   with it by then
 */
export function useReplay<Answer>(
  ask: Ask<Answer>,
): readonly [Replaying<Answer>, (next: Ask<Answer>) => void] {
  const [state, setState] = useState<Replaying<Answer>>({ status: 'waiting' });
  const working = useRef<Replayer | null>(null);
  const begun = useRef<Begun<Answer> | null>(null);
  const end = useCallback(() => {
    working.current?.end();
    working.current = null;
    begun.current = null;
  }, []);
  useEffect(() => end, [end]);
  const begin = useCallback(
    (next: Ask<Answer>) => {
      const before = begun.current;
      if (before && !before.isOver && Date.now() - before.at > patience) end();
      working.current ??= startReplayer();
      const now: Begun<Answer> = { ask: next, answer: next(working.current), at: Date.now(), isOver: false };
      now.answer.then(
        () => {
          now.isOver = true;
        },
        () => {
          now.isOver = true;
        },
      );
      begun.current = now;
    },
    [end],
  );
  useEffect(() => {
    let isOver = false;
    if (begun.current?.ask !== ask) begin(ask);
    begun.current?.answer.then(
      (answer) => {
        // What shows the answer is drawn in pieces, between which the page answers.
        if (!isOver) startTransition(() => setState({ status: 'there', answer }));
      },
      (error) => {
        if (!isOver) setState({ status: 'failed', reason: threadErrorText(error) });
      },
    );
    return () => {
      isOver = true;
    };
  }, [ask, begin]);
  return [state, begin];
}

interface Begun<Answer> {
  readonly ask: Ask<Answer>;
  readonly answer: Promise<Answer>;
  /** `Date.now()`. */
  readonly at: number;
  isOver: boolean;
}

/** A run that takes its time: with progress, and a way to stop it. */
export interface LongReplay<Answer> {
  readonly state:
    | Replaying<Answer>
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
      ask(mine.work, (done) => {
        if (working.current === mine) setState({ status: 'running', done });
      }).then(
        (answer) => {
          if (working.current !== mine) return;
          end();
          setState({ status: 'there', answer });
        },
        (error) => {
          if (working.current !== mine) return;
          end();
          setState({ status: 'failed', reason: threadErrorText(error) });
        },
      );
    },
    [end],
  );
  const cancel = useCallback(() => {
    end();
    setState({ status: 'idle' });
  }, [end]);
  return { state, start, cancel };
}
