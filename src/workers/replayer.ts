import { type Remote, wrap } from 'comlink';
import type { Guard } from '@/core/guard/guard';
import { type ModelledReplay, withTail } from '@/core/replay/modelled-replay';
import type { Script } from '@/core/script/stroke';
import type { TargetId } from '@/core/target/target';
import type { ReplayedField, ReplayWork } from './replay.worker';

/** A worker of one's own that replays. */
export interface Replayer {
  readonly work: Remote<ReplayWork>;
  /** What the model says of each target's script, put together again out of the little that the worker tells. */
  strokes(
    of: ReplayedField,
    guards: readonly Guard[],
    scripts: readonly (readonly [TargetId, Script])[],
  ): Promise<ReadonlyMap<TargetId, ModelledReplay>>;
  end(): void;
}

export function startReplayer(): Replayer {
  const worker = new Worker(new URL('./replay.worker.ts', import.meta.url), { type: 'module' });
  const work = wrap<ReplayWork>(worker);
  // Answers come in the order of the questions, so that both sides mean the same by what was told last.
  const told = new Map<TargetId, ModelledReplay>();
  return {
    work,
    async strokes(of, guards, scripts) {
      const tails = await work.strokes(of, guards, scripts);
      return new Map(
        tails.map((tail) => {
          const replay = withTail(told.get(tail.target) ?? null, tail);
          told.set(tail.target, replay);
          return [tail.target, replay];
        }),
      );
    },
    end: () => worker.terminate(),
  };
}
