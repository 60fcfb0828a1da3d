import { setTimeout as wait } from 'node:timers/promises';
import { probeGone } from '@/probe/api/probe-api';
import { EngineLost } from './engine';
import { stopwatch } from './stopwatch';

/** Longest that one command may take before the engine counts as hung, ms by a `stopwatch`. */
export const commandTimeout = 15_000;

/** Longest that a browser may take to start, ms by a `stopwatch`. */
export const startTimeout = 60_000;

/** How often it is looked how much time a program was given, ms. */
const lookEvery = 250;

/**
 * Waits for `work` for at most `ms`, as a `stopwatch` counts them; after that throws `EngineLost` in the name of the engine.
 *
 * @param code what has failed when it is late
 */
export async function withDeadline<T>(
  work: Promise<T>,
  ms: number,
  engine: string,
  code: 'silent' | 'not loaded' = 'silent',
): Promise<T> {
  const begin = performance.now();
  const elapsed = stopwatch();
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    const look = () => {
      if (elapsed() < ms) return;
      const within = ms < 1000 ? ms / 1000 : Math.round((performance.now() - begin) / 1000);
      reject(new EngineLost({ code, engine, within }, { isLate: true }));
    };
    timer = setInterval(look, Math.min(lookEvery, ms));
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearInterval(timer);
  }
}

/** Opens a page at the most for as long as a command may take, and says of a page that does not end loading what there is to be seen to. */
export function loaded<T>(engine: string, opening: Promise<T>, ms = commandTimeout): Promise<T> {
  return withDeadline(opening, ms, engine, 'not loaded');
}

/** Runs one command; whatever goes wrong becomes `EngineLost`, and an engine that hangs does too. */
export function answer<T>(engine: string, isThere: () => boolean, command: () => Promise<T>): Promise<T> {
  return orLost(engine, isThere, () => withDeadline(command(), commandTimeout, engine));
}

/** The same of opening a page, see `loaded`. */
export function navigated<T>(engine: string, isThere: () => boolean, opening: () => Promise<T>): Promise<T> {
  return orLost(engine, isThere, () => loaded(engine, opening()));
}

/** Runs `work`, whose every command has a deadline of its own; whatever goes wrong becomes `EngineLost`. */
export async function orLost<T>(engine: string, isThere: () => boolean, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const told = firstLine(error);
    const isOfScript =
      error instanceof Error && scriptErrors.includes(error.name) && !told.includes(probeGone);
    const isOfPage = isOfScript || pageLeft.test(told) || (error instanceof EngineLost && error.isSettled);
    if (sessionEnded.test(told) || !(isOfPage ? isThere() : await staysThere(isThere)))
      throw new EngineLost({ code: 'ended', engine }, { isGone: true });
    if (error instanceof EngineLost) throw error;
    if (isOfScript) throw new EngineLost({ code: 'script threw', engine, said: told });
    const [, code] = pageFailures.find(([words]) => words.test(told)) ?? [];
    throw new EngineLost(code ? { code, engine } : { code: 'protocol error', engine, said: told });
  }
}

/** What an endpoint says of a browser that is gone; nothing else is known of one that runs elsewhere. */
const sessionEnded =
  /invalid session id|no such session|session (?:deleted|not created)|not reachable|disconnected|ECONNREFUSED/i;
/** What is said where one page gives way to another, which no browser does at its end. */
const pageLeft =
  /the probe is gone|cannot find context|contexts? (?:was )?(?:destroyed|cleared)|navigating frame|before the unload event/i;

/** Whether something could not be asked because the page gave way to another meanwhile. */
export function isPageLeft(error: unknown): boolean {
  return pageLeft.test(firstLine(error));
}

/** A browser's pages, its windows and its display go before it is known that the browser did, ms by a `stopwatch`. */
const endingTime = 1500;
const betweenLooks = 50;
const fewestLooks = 10;

/**
 * Whether a browser over which something went wrong is still there, once its end would have been known. What was said first is no
 * sign of it: of a killed browser one hears as well that its page crashed, or that its window is not shown.
 */
async function staysThere(isThere: () => boolean): Promise<boolean> {
  const elapsed = stopwatch();
  // Time alone can pass in one piece, before the news of it was read.
  for (let looks = 0; isThere() && (looks < fewestLooks || elapsed() < endingTime); looks++)
    await wait(betweenLooks);
  return isThere();
}

/** Names of what a script throws; `JavascriptError` is the name that WebDriver gives to all of them. */
const scriptErrors = ['TypeError', 'RangeError', 'ReferenceError', 'SyntaxError', 'JavascriptError'];

/** What protocols say when a page is no longer the one that was asked, or never came. */
const pageFailures: readonly (readonly [says: RegExp, 'page crashed' | 'page left'])[] = [
  [
    /target crashed|page crashed|crashed|browsing context.*(?:discarded|destroyed) unexpectedly/i,
    'page crashed',
  ],
  [pageLeft, 'page left'],
  [/no such (?:frame|window)|frame detached/i, 'page left'],
];

/** What went wrong in one line, whatever was thrown: an error, an event of a socket, a record of a protocol. */
export function firstLine(error: unknown): string {
  const [line = ''] = messageOf(error).split('\n');
  return line === '' ? 'it said nothing of why' : line;
}

function messageOf(error: unknown): string {
  if (typeof error === 'string') return error;
  if (typeof error !== 'object' || error === null) return String(error);
  // An event of a socket has the error in it; some protocols have a message in a record of their own.
  for (const name of ['message', 'error', 'reason', 'code', 'type'] as const) {
    const told: unknown = name in error ? (error as Record<string, unknown>)[name] : undefined;
    if (typeof told === 'string' && told !== '') return told;
    if (typeof told === 'object' && told !== null && told !== error) return messageOf(told);
  }
  return '';
}
