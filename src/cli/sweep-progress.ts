import { createLogUpdate } from 'log-update';
import type { Asking } from '@/core/questions/asking';
import { readable } from '@/core/report/readable';
import { askingOfTarget } from '@/core/sweep/asking-of-target';
import type { KnownAnswers } from '@/core/sweep/known-answers';
import { owedAnswers } from '@/core/sweep/owed-answers';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { SweepPace } from '@/core/sweep/sweep-pace';
import type { Target, TargetId } from '@/core/target/target';
import { failureText } from '@/core/words/failure-words';
import { paceText } from '@/core/words/pace-words';
import { tell } from './say';

/** How often a terminal is drawn over, and how often a log is told; ms. */
const drawnEvery = 150;
const toldEvery = 10_000;

/** What is said while a sweep runs. */
export interface SweepProgress {
  hear(message: SweepMessage): void;
  /** Says nothing more. */
  end(): void;
}

export const noProgress: SweepProgress = { hear: () => undefined, end: () => undefined };

/**
 * Tells on standard error how far each engine is: on a terminal in one line for each, drawn over; elsewhere all of them in one line every
 * ten seconds. What has ended is told in a line that stays.
 * @param known answers that are not asked for
 */
export function sweepProgress(
  targets: readonly Target[],
  asking: Asking,
  known: KnownAnswers,
): SweepProgress {
  const paces = new Map<TargetId, SweepPace>();
  const ended = new Set<TargetId>();
  const { isTTY } = process.stderr;
  const drawn = isTTY ? createLogUpdate(process.stderr) : null;
  const lines = () =>
    [...paces].flatMap(([id, pace]) =>
      ended.has(id) ? [] : `${id}: ${paceText(pace.at(performance.now()))}`,
    );
  const show = () => {
    const now = lines().map(readable);
    if (drawn) drawn(now.join('\n'));
    else if (now.length > 0) tell(now.join(' · '));
  };
  const timer = setInterval(show, drawn ? drawnEvery : toldEvery);
  timer.unref();
  const stay = (line: string) => {
    drawn?.clear();
    tell(line);
  };
  return {
    hear(message) {
      if (message.type === 'picture') return;
      const id = message.type === 'observation' ? message.observation.target : message.target;
      if (message.type === 'started') {
        const target = targets.find((one) => one.id === id);
        const plan =
          target?.ask === 'engine' ? owedAnswers(askingOfTarget(asking, target), known.get(id)).all() : [];
        if (plan.length > 0) paces.set(id, new SweepPace(plan, performance.now()));
      }
      paces.get(id)?.hear(message);
      if (message.type !== 'finished' && message.type !== 'failed') return;
      ended.add(id);
      stay(message.type === 'finished' ? `${id}: done` : `${id}: ${failureText(message.failure)}`);
    },
    end() {
      clearInterval(timer);
      drawn?.clear();
      drawn?.done();
    },
  };
}
