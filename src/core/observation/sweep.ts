import { predictions } from '../model/predict';
import type { EngineTarget, ModelTarget, ProbeTarget, Target } from '../target/target';
import { type Asking, planOf } from './asking';
import type { Observation } from './observation';
import type { Picture } from './picture';
import type { Run } from './run';
import type { EmitSweepMessage, SweepMessage } from './sweep-message';

/** The observers that need a place to run: engines a server, the probe a window. The model runs anywhere. */
export interface Observers {
  engines(
    targets: readonly EngineTarget[],
    asking: Asking,
    emit: EmitSweepMessage,
    signal: AbortSignal,
  ): Promise<void>;
  probe(target: ProbeTarget, asking: Asking, emit: EmitSweepMessage, signal: AbortSignal): Promise<void>;
}

/** Asks every target of a line-up, side by side; resolves when all have finished, failed or been cancelled. */
export async function sweep(
  targets: readonly Target[],
  asking: Asking,
  observers: Observers,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  const engines = targets.filter((target) => target.ask === 'engine');
  const parts = targets.flatMap((target) => {
    switch (target.ask) {
      case 'engine':
        return [];
      case 'probe':
        if (!asking.page) return [observers.probe(target, asking, emit, signal)];
        // A page cannot open another one of another origin and look into it.
        emit({ type: 'started', target: target.id, total: 0 });
        emit({ type: 'finished', target: target.id });
        return [];
      // It is asked by its own page, when a person opens that.
      case 'device':
        emit({ type: 'started', target: target.id, total: 0 });
        emit({ type: 'finished', target: target.id });
        return [];
      case 'model':
        return [askModel(target, asking, emit, signal)];
    }
  });
  if (engines.length > 0) parts.push(observers.engines(engines, asking, emit, signal));
  const ended = await Promise.allSettled(parts);
  const broken = ended.find((end) => end.status === 'rejected');
  if (broken && !signal.aborted) throw broken.reason;
}

/** How long the model works before whoever runs it draws, hears and stops, ms: most forms are done by then. */
const slice = 50;

async function askModel(
  target: ModelTarget,
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  emit({ type: 'started', target: target.id, total: planOf(asking).length });
  let since = Date.now();
  for (const observations of predictions(target.id, asking, new Date().toISOString())) {
    for (const observation of observations) emit({ type: 'observation', observation });
    if (Date.now() - since < slice) continue;
    await new Promise((resolve) => setTimeout(resolve));
    if (signal.aborted) return;
    since = Date.now();
  }
  emit({ type: 'finished', target: target.id });
}

/** Gathers what a sweep says into a run. */
export function collectRun(start: Omit<Run, 'observations' | 'pictures' | 'finishedAt'>): {
  readonly emit: EmitSweepMessage;
  readonly run: (finishedAt: string | null) => Run;
} {
  const observations: Observation[] = [];
  const pictures = new Map<string, Picture>();
  return {
    emit(message: SweepMessage) {
      if (message.type === 'observation') observations.push(message.observation);
      if (message.type === 'picture') pictures.set(message.picture.id, message.picture);
    },
    run: (finishedAt) => ({ ...start, finishedAt, observations, pictures: [...pictures.values()] }),
  };
}
