import { EngineLost } from './engine';

/**
 * Does a work, and does it once more when an engine was lost over it: what a busy machine did not get to in time comes the second time,
 * and what is broken fails twice. Nothing is done again after `signal` has aborted; its reason is thrown then.
 */
export async function onceMore<Result>(work: () => Promise<Result>, signal?: AbortSignal): Promise<Result> {
  try {
    return await work();
  } catch (error) {
    signal?.throwIfAborted();
    if (!(error instanceof EngineLost) || error.isSettled) throw error;
    return work();
  }
}
