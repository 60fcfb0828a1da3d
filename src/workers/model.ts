import { proxy } from 'comlink';
import { type Asking, sentAsking } from '@/core/questions/asking';
import type { EmitSweepMessage, SweepMessage } from '@/core/sweep/sweep-message';
import type { ModelTarget } from '@/core/target/target';
import type { ModelWork } from './model.worker';
import { inOwnWorker } from './own-worker';

/** Asks the model beside the page: a pattern may keep it for a second. */
export async function askModelsBeside(
  targets: readonly ModelTarget[],
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<void> {
  signal.throwIfAborted();
  const worker = new Worker(new URL('./model.worker.ts', import.meta.url), { type: 'module' });
  const take = proxy((messages: readonly SweepMessage[]) => {
    if (!signal.aborted) for (const message of messages) emit(message);
  });
  await inOwnWorker<ModelWork, void>(worker, (work) => work.ask(targets, sentAsking(asking), take), signal);
}
