import type { Asking } from '@/core/observation/asking';
import type { SweepMessage } from '@/core/observation/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { sweepEngines } from '@/engines/sweep-engines';
import { log } from './log';
import { register } from './run-registry';

/**
 * A sweep as a stream of NDJSON. It ends when the client goes away.
 * @returns null when as many sweeps run as may.
 */
export function sweepStream(
  targets: readonly EngineTarget[],
  asking: Asking,
  clientSignal: AbortSignal,
): ReadableStream<Uint8Array> | null {
  const gone = new AbortController();
  const signal = AbortSignal.any([clientSignal, gone.signal]);
  const encoder = new TextEncoder();
  const waiting: SweepMessage[] = [];
  let send: ((message: SweepMessage) => void) | null = null;
  const emit = (message: SweepMessage) => (send ? send(message) : waiting.push(message));
  const ended = register(signal, (until) => sweepEngines(targets, asking, emit, until));
  if (!ended) return null;
  return new ReadableStream({
    start(controller) {
      send = (message) => {
        if (!signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(message)}\n`));
      };
      for (const message of waiting.splice(0)) send(message);
      ended
        .catch((error: unknown) => log.error({ error: String(error) }, 'sweep broke'))
        .finally(() => {
          if (!signal.aborted) controller.close();
        });
    },
    cancel() {
      gone.abort();
    },
  });
}
