import { readFileSync } from 'node:fs';
import { availableParallelism, loadavg } from 'node:os';

/** What a stopwatch reads of its machine. */
export interface Machine {
  /** ms since some moment. */
  now(): number;
  /** Programs that run or would run if a processor were free. */
  wanting(): number;
  readonly processors: number;
}

/** Of a machine that is busier than this, a stopwatch runs at this speed all the same, so that what hangs is told one day. */
export const slowest = 0.25;

const thisMachine: Machine = {
  now: () => performance.now(),
  wanting: wantingNow,
  processors: availableParallelism(),
};

/**
 * Starts a stopwatch that counts the time a program was given, and not the time on the wall: while three programs want each processor,
 * three seconds count for one. What waits by it waits as long on a busy machine, in what can be done meanwhile, as on an idle one. It
 * has to be read now and again: what it sees of the machine is how it is when it is read.
 *
 * @returns ms counted since
 */
export function stopwatch(machine: Machine = thisMachine): () => number {
  let counted = 0;
  let last = machine.now();
  return () => {
    const now = machine.now();
    const share = machine.processors / Math.max(machine.processors, machine.wanting());
    counted += (now - last) * Math.max(slowest, share);
    last = now;
    return counted;
  };
}

/** Linux says how many want to run at this moment; elsewhere there is the mean of the last minute, or nothing. */
function wantingNow(): number {
  try {
    const [, wanting] = /(\d+)\/\d+/.exec(readFileSync('/proc/loadavg', 'utf8')) ?? [];
    if (wanting !== undefined) return Number(wanting);
  } catch {
    // Another system.
  }
  return loadavg()[0] ?? 0;
}
