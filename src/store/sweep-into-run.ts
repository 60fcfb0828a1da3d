import type { Failure } from '@/core/observation/failure';
import type { Picture } from '@/core/observation/picture';
import type { Asking } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { RunId } from '@/core/run/run';
import { type Observers, sweep } from '@/core/sweep/sweep';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import type { Target, TargetId } from '@/core/target/target';
import type { UkkoDatabase } from './database';
import { finishRun, keep } from './runs';

/** How far one target is. */
export interface TargetProgress {
  readonly target: TargetId;
  readonly total: number;
  readonly done: number;
  /** Of these, those that an earlier sweep gave and that still hold. */
  readonly kept: number;
  /** The field last answered for. */
  readonly field: string | null;
  readonly state: 'waiting' | 'asking' | 'finished' | 'failed';
  /** Null unless it failed. */
  readonly failure: Failure | null;
}

/** Answers are kept in batches; each batch costs one transaction. ms. */
const keepEvery = 150;

/**
 * Sweeps a line-up and keeps every answer in the run as it comes.
 * @param report called with the progress of all targets whenever answers were kept.
 */
export async function sweepIntoRun(
  database: UkkoDatabase,
  run: RunId,
  targets: readonly Target[],
  asking: Asking,
  observers: Observers,
  report: (progress: readonly TargetProgress[]) => void,
  signal: AbortSignal,
): Promise<void> {
  const progress = new Map<TargetId, TargetProgress>(
    targets.map(({ id }) => [
      id,
      { target: id, total: 0, done: 0, kept: 0, field: null, state: 'waiting', failure: null },
    ]),
  );
  const began = new Date().toISOString();
  let observations: Observation[] = [];
  let pictures: Picture[] = [];
  let keeping = Promise.resolve();
  // What cannot be kept is not asked for: the sweep ends, and with it what it started.
  const ending = new AbortController();
  const end = () => ending.abort(signal.reason);
  signal.addEventListener('abort', end, { once: true });
  if (signal.aborted) end();
  const flush = () => {
    const [answers, shots] = [observations, pictures];
    observations = [];
    pictures = [];
    report([...progress.values()]);
    if (answers.length + shots.length === 0) return;
    keeping = keeping.then(() => keep(database, run, answers, shots));
    keeping.catch((error: unknown) => ending.abort(error));
  };
  const emit = (message: SweepMessage) => {
    if (message.type === 'observation') observations.push(message.observation);
    if (message.type === 'picture') pictures.push(message.picture);
    advance(progress, message, began);
  };
  const timer = setInterval(flush, keepEvery);
  try {
    await sweep(targets, asking, observers, emit, ending.signal);
  } finally {
    clearInterval(timer);
    signal.removeEventListener('abort', end);
    flush();
    await keeping;
  }
  if (!signal.aborted) await finishRun(database, run);
}

function advance(progress: Map<TargetId, TargetProgress>, message: SweepMessage, began: string): void {
  if (message.type === 'picture' || message.type === 'kept') return;
  const target = message.type === 'observation' ? message.observation.target : message.target;
  const before = progress.get(target);
  if (before) progress.set(target, step(before, message, began));
}

function step(
  before: TargetProgress,
  message: Exclude<SweepMessage, { type: 'picture' | 'kept' }>,
  began: string,
): TargetProgress {
  switch (message.type) {
    case 'started':
      return { ...before, state: 'asking', total: message.total };
    case 'observation':
      return {
        ...before,
        done: before.done + 1,
        kept: before.kept + (message.observation.at < began ? 1 : 0),
        field: message.observation.field,
      };
    case 'finished':
      return { ...before, state: 'finished' };
    case 'failed':
      return { ...before, state: 'failed', failure: message.failure };
  }
}
