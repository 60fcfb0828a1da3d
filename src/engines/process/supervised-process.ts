import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { projectRoot } from '@/probe/bundle';
import { withDeadline } from '../api/deadline';
import { endMarked } from './marked-processes.mjs';

/** A program, run by a keeper that ends it with its family and its folder when it is told to or when we are gone. */
export interface Supervised {
  /** The keeper, to be run in place of the program. */
  readonly path: string;
  readonly folder: string;
  readonly env: NodeJS.ProcessEnv;
}

/**
 * A browser that finds no message bus starts one, and an accessibility bus besides, which outlive it and write into the person's home.
 * What is shown needs neither; what has a bus of its own says so.
 */
const noBus = {
  DBUS_SESSION_BUS_ADDRESS: 'disabled:',
  DBUS_SYSTEM_BUS_ADDRESS: 'disabled:',
  NO_AT_BRIDGE: '1',
  GTK_A11Y: 'none',
  GNOME_ACCESSIBILITY: '0',
};

/** Makes a folder for the program and says how to run it through its keeper. */
export async function supervise(program: string, env: Record<string, string> = {}): Promise<Supervised> {
  const folder = await mkdtemp(join(tmpdir(), 'ukko-browser-'));
  return {
    path: join(projectRoot(), 'src/engines/process/keeper.mjs'),
    folder,
    env: { ...process.env, ...noBus, ...env, UKKO_KEPT_PROGRAM: program, UKKO_KEPT_FOLDER: folder },
  };
}

/** Starts a program through its keeper; its standard output can be read. */
export function startSupervised({ path, env }: Supervised, parameters: readonly string[]): ChildProcess {
  return spawn(path, parameters, { env, stdio: ['ignore', 'pipe', 'ignore'], detached: true });
}

/** Whether a program that was started has not ended, by itself or by a signal. */
export function isRunning({ exitCode, signalCode }: ChildProcess): boolean {
  return exitCode === null && signalCode === null;
}

function endGroup(leader: number | undefined): void {
  if (leader === undefined) return;
  try {
    process.kill(-leader, 'SIGKILL');
  } catch {
    // Nobody is in it any more.
  }
}

/** Ends a keeper and with it all that it keeps; quick, because there is nothing to be saved. Never throws. */
export async function endSupervised(keeper: ChildProcess | null, { folder }: Supervised): Promise<void> {
  if (keeper && isRunning(keeper)) {
    const exit = new Promise((resolve) => keeper.once('exit', resolve));
    keeper.kill('SIGTERM');
    await withDeadline(exit, 5000, 'The keeper').catch(() => keeper.kill('SIGKILL'));
  }
  // Nothing, where the keeper has done it; a keeper that was killed has not. Some browsers write over the environment that they carry
  // the mark in: they stay in the group.
  endGroup(keeper?.pid);
  endMarked(`UKKO_KEPT_FOLDER=${folder}`);
  // A keeper that was ended before it had begun has cleaned up nothing.
  await rm(folder, { recursive: true, force: true, maxRetries: 5 }).catch(() => undefined);
}
