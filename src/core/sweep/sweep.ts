import type { Picture } from '../observation/picture';
import type { Asking } from '../questions/asking';
import type { Observation } from '../questions/observation';
import type { Run } from '../run/run';
import type { EngineTarget, ModelTarget, ProbeTarget, Target } from '../target/target';
import type { EmitSweepMessage, SweepMessage } from './sweep-message';

/** Those who answer. Each needs a place to run: engines a server, the probe a window, and the model one where it holds nobody up. */
export interface Observers {
  engines(
    targets: readonly EngineTarget[],
    asking: Asking,
    emit: EmitSweepMessage,
    signal: AbortSignal,
  ): Promise<void>;
  probe(target: ProbeTarget, asking: Asking, emit: EmitSweepMessage, signal: AbortSignal): Promise<void>;
  models(
    targets: readonly ModelTarget[],
    asking: Asking,
    emit: EmitSweepMessage,
    signal: AbortSignal,
  ): Promise<void>;
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
  const models = targets.filter((target) => target.ask === 'model');
  const parts = targets.flatMap((target) => {
    switch (target.ask) {
      case 'engine':
      case 'model':
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
    }
  });
  if (engines.length > 0) parts.push(observers.engines(engines, asking, emit, signal));
  if (models.length > 0) parts.push(observers.models(models, asking, emit, signal));
  const ended = await Promise.allSettled(parts);
  const broken = ended.find((end) => end.status === 'rejected');
  if (broken && !signal.aborted) throw broken.reason;
}

/**
 * Gathers what a sweep says into a run.
 * @param known what is there already
 */
export function collectRun(
  start: Omit<Run, 'observations' | 'pictures' | 'finishedAt'>,
  known: Pick<Run, 'observations' | 'pictures'> = { observations: [], pictures: [] },
): {
  readonly emit: EmitSweepMessage;
  readonly run: (finishedAt: string | null) => Run;
} {
  const observations: Observation[] = [...known.observations];
  const pictures = new Map<string, Picture>(known.pictures.map((picture) => [picture.id, picture]));
  return {
    emit(message: SweepMessage) {
      if (message.type === 'observation') observations.push(message.observation);
      if (message.type === 'picture') pictures.set(message.picture.id, message.picture);
    },
    run: (finishedAt) => ({ ...start, finishedAt, observations, pictures: [...pictures.values()] }),
  };
}
