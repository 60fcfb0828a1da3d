import type { Refusal } from '@/core/reading/refusal';

/** A sort of work that a client keeps going. */
export interface Work {
  readonly name: 'sweep' | 'listener';
  /** How much of it there may be at once. */
  readonly most: number;
  /** How long it may take, ms. */
  readonly longest: number;
  /** Why no more of it is taken. */
  readonly full: Refusal;
}

/** Each drives its own browser. */
export const sweeps: Work = {
  name: 'sweep',
  most: 2,
  longest: 11 * 60 * 60_000,
  full: { code: 'sweeps full', most: 2 },
};

/** Each listens on a port of its own. */
export const listeners: Work = {
  name: 'listener',
  most: 4,
  longest: 60 * 60_000,
  full: { code: 'devices full', most: 4 },
};

interface Running {
  readonly work: Work;
  readonly abort: AbortController;
  /** Aborted when it is to end, for whatever reason. */
  readonly until: AbortSignal;
  readonly ended: Promise<void>;
}

declare global {
  var ukkoRunning: Set<Running> | undefined;
}

/**
 * What runs in this server now, so that a stop of the server ends it and its browsers first. One set for the process: Next
 * bundles the start of the server and its routes apart, each with a copy of this module.
 */
globalThis.ukkoRunning ??= new Set();
const running = globalThis.ukkoRunning;

/**
 * Runs work until it ends, `signal` aborts, the time is up or the server stops. What was stopped and still has its browsers to close is
 * waited for, so that who reloads a page in the middle of a sweep can sweep again.
 * @returns null when as much of it runs as may.
 */
export function register(
  work: Work,
  signal: AbortSignal,
  run: (signal: AbortSignal) => Promise<void>,
): Promise<void> | null {
  const alike = [...running].filter((one) => one.work.name === work.name);
  const leaving = alike.filter(({ until }) => until.aborted);
  if (alike.length - leaving.length >= work.most) return null;
  const abort = new AbortController();
  const until = AbortSignal.any([signal, abort.signal, AbortSignal.timeout(work.longest)]);
  const begin = async () => {
    await Promise.allSettled(leaving.map(({ ended }) => ended));
    if (!until.aborted) await run(until);
  };
  const entry = { work, abort, until, ended: begin() };
  running.add(entry);
  return entry.ended.finally(() => running.delete(entry));
}

/** Aborts all of it and waits until its browsers and ports are gone. */
export async function stopAll(): Promise<void> {
  const all = [...running];
  for (const { abort } of all) abort.abort();
  await Promise.allSettled(all.map(({ ended }) => ended));
}
