import { setTimeout as wait } from 'node:timers/promises';
import getPort from 'get-port';
import { startTimeout } from '../api/deadline';
import type { Gate } from '../api/gate';
import { stopwatch } from '../api/stopwatch';
import { proxyEnvironment } from '../network/through-proxy';
import { findProgram } from '../process/find-program';
import {
  endSupervised,
  isRunning,
  type Supervised,
  startSupervised,
  supervise,
} from '../process/supervised-process';
import { watchedBrowser } from '../process/watched-browser';
import type { Endpoint } from './webdriver-session';

const browsers = [
  '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  // Where other systems than Debian put it.
  '/usr/libexec/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib64/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/webkit2gtk-4.1/MiniBrowser',
];

/** The browser that the driver drives; null when it is not on this machine. */
export function miniBrowser(): Promise<string | null> {
  return findProgram('UKKO_MINIBROWSER', browsers);
}

/** How the driver of WebKitGTK is started, on whatever display its environment names. */
export interface MiniBrowserLaunch {
  readonly driver: string;
  readonly browser: string;
  readonly env: Readonly<Record<string, string>>;
  /** Changes what the browser finds in its own folder and its environment. */
  prepare(supervised: Supervised): void | Promise<void>;
  readonly gate: Gate | null;
  /** Ends it while it is still starting. */
  readonly signal?: AbortSignal | undefined;
}

/** Where a session is opened, and how it is ended with all that belongs to it. */
export type MiniBrowser = Pick<
  Endpoint,
  'title' | 'address' | 'capabilities' | 'gate' | 'folder' | 'isThere' | 'end'
>;

/**
 * Starts the driver and opens a session of it, by `open`, which is given up when the browser has ended. Throws whatever goes wrong;
 * nothing stays behind then.
 */
export async function startMiniBrowser<Session>(
  { driver, browser, env, prepare, gate, signal }: MiniBrowserLaunch,
  open: (browser: MiniBrowser) => Promise<Session>,
): Promise<Session> {
  const port = await getPort({ host: '127.0.0.1' });
  const supervised = await supervise(driver, { ...env, ...(gate && proxyEnvironment(gate)) });
  let keeper: ReturnType<typeof startSupervised> | null = null;
  const end = () => endSupervised(keeper, supervised);
  const stop = () => void end();
  signal?.addEventListener('abort', stop, { once: true });
  const address = `http://127.0.0.1:${port}`;
  try {
    await prepare(supervised);
    const watched = await watchedBrowser(supervised, browser);
    signal?.throwIfAborted();
    const started = startSupervised(supervised, ['-p', String(port)]);
    keeper = started;
    await answers(address, started);
    const opening = open({
      title: 'WebKit',
      address,
      capabilities: { 'webkitgtk:browserOptions': { binary: watched.path, args: ['--automation'] } },
      gate,
      folder: supervised.folder,
      isThere: () => isRunning(started),
      end,
    });
    return await watched.whileRunning(opening);
  } catch (error) {
    await end();
    throw error;
  } finally {
    signal?.removeEventListener('abort', stop);
  }
}

/** Waits until a driver that was just started answers at its address. Throws when it ends, or does not. */
async function answers(address: string, keeper: { exitCode: number | null }): Promise<void> {
  for (const elapsed = stopwatch(); elapsed() < startTimeout; ) {
    if (keeper.exitCode !== null) throw new Error('its driver ended at once');
    const ready = await fetch(`${address}/status`).then(
      (response) => response.ok,
      () => false,
    );
    if (ready) return;
    await wait(50);
  }
  throw new Error('its driver did not answer');
}
