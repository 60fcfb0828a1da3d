import { watchOver } from './watchdog';

/**
 * Tells a command to stop: by a signal, when whoever started it is gone, and after its time. The reason of the signal is the end
 * of a sentence, for people.
 * @param longest how long the command may take, ms; null: as long as it likes
 */
export function stopSignal(longest: number | null = null): AbortSignal {
  const abort = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
    process.once(signal, () => abort.abort(`${signal} came`));
  watchOver(longest, (reason) => abort.abort(reason));
  return abort.signal;
}

/** How long a command works before it hears what else there is, ms. */
const hearEvery = 50;

/** Runs work that yields now and then, and hears signals meanwhile. @returns null when it was told to stop before the end */
export async function heeding<Result>(
  work: Generator<unknown, Result>,
  signal: AbortSignal,
): Promise<Result | null> {
  for (let heard = performance.now(); ; ) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() - heard < hearEvery) continue;
    await new Promise(setImmediate);
    if (signal.aborted) return null;
    heard = performance.now();
  }
}
