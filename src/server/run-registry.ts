interface RunningSweep {
  readonly abort: AbortController;
  readonly ended: Promise<void>;
}

declare global {
  var ukkoRunningSweeps: Set<RunningSweep> | undefined;
}

/**
 * Sweeps that run in this server now, so that a stop of the server ends them and their browsers first. One set for the
 * process: Next bundles the start of the server and its routes apart, each with a copy of this module.
 */
globalThis.ukkoRunningSweeps ??= new Set();
const running = globalThis.ukkoRunningSweeps;

/** Most sweeps at once; each drives its own browser. */
export const maxSweeps = 2;
/** Longest sweep, ms. */
export const maxSweepTime = 10 * 60_000;

/**
 * Runs a sweep until it ends, `signal` aborts, the time is up or the server stops.
 * @returns null when as many sweeps run as may.
 */
export function register(
  signal: AbortSignal,
  work: (signal: AbortSignal) => Promise<void>,
): Promise<void> | null {
  if (running.size >= maxSweeps) return null;
  const abort = new AbortController();
  const any = AbortSignal.any([signal, abort.signal, AbortSignal.timeout(maxSweepTime)]);
  const entry = { abort, ended: work(any) };
  running.add(entry);
  return entry.ended.finally(() => running.delete(entry));
}

/** Aborts every sweep and waits until their browsers are gone. */
export async function stopAll(): Promise<void> {
  const all = [...running];
  for (const { abort } of all) abort.abort();
  await Promise.allSettled(all.map(({ ended }) => ended));
}
