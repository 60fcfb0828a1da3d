import { type Remote, wrap } from 'comlink';
import { unlessAborted } from '@/core/unless-aborted';

/**
 * Has something done by a worker of its own, which ends with it: what it took goes along, and so does what was begun when nobody wants it
 * any more. Rejects with the signal's reason then.
 */
export async function inOwnWorker<Work, Result>(
  worker: Worker,
  use: (work: Remote<Work>) => Promise<Result>,
  signal: AbortSignal,
): Promise<Result> {
  try {
    return await unlessAborted(use(wrap<Work>(worker)), signal);
  } finally {
    worker.terminate();
  }
}
