import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, vi } from 'vitest';
import type { Asking } from '@/core/observation/asking';
import type { Observation } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import type { SweepMessage } from '@/core/observation/sweep-message';
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';
import { sweepEngines } from '@/engines/sweep-engines';

// Whole sweeps, in real browsers, on whatever machine this is.
vi.setConfig({ testTimeout: 120_000, hookTimeout: 60_000 });

/** The engines of this machine, as the line-up has them. */
export const ownTargets = targets.filter(
  (target): target is EngineTarget => target.ask === 'engine' && target.withheld === null,
);

export function ownTarget(engine: string): EngineTarget {
  const target = ownTargets.find((one) => one.engine === engine);
  if (!target) throw new Error(`No target for ${engine}.`);
  return target;
}

// Profiles go to a folder of each test file's own, so that what other files start is not taken for a leftover.
const temporary = mkdtempSync(join(tmpdir(), 'ukko-engines-'));
// The phone-sized display runs as somebody who is not root, and has to get at its own folder in there.
chmodSync(temporary, 0o711);
process.env.TMPDIR = temporary;
afterAll(() => rmSync(temporary, { recursive: true }));

/** Folders that browsers keep while they run. */
export const profiles = () => readdirSync(temporary);

/** What a sweep said. */
export interface Heard {
  readonly messages: SweepMessage[];
  readonly observations: Observation[];
  readonly pictures: Map<string, Picture>;
}

/** Asks one target or several and gathers what is said. */
export async function ask(
  asked: EngineTarget | readonly EngineTarget[],
  asking: Asking,
  signal = new AbortController().signal,
  on?: (message: SweepMessage) => void,
): Promise<Heard> {
  const messages: SweepMessage[] = [];
  await sweepEngines(
    [asked].flat(),
    asking,
    (message) => {
      messages.push(message);
      on?.(message);
    },
    signal,
  );
  return {
    messages,
    observations: messages.flatMap((m) => (m.type === 'observation' ? [m.observation] : [])),
    pictures: new Map(
      messages.flatMap((m) => (m.type === 'picture' ? [[m.picture.id, m.picture] as const] : [])),
    ),
  };
}

/**
 * Process ids of browsers (not their keepers) that were started here and still run: each has its folder in its environment.
 * @param others folders of browsers that were not started by this process
 */
export function browsers(others: readonly string[] = []): number[] {
  return readdirSync('/proc').flatMap((name) => {
    const id = Number(name);
    return Number.isInteger(id) && id !== process.pid && isBrowser(id, others) ? [id] : [];
  });
}

/** A browser that goes with its display has gone by itself when its turn comes. */
export function kill(id: number): void {
  try {
    process.kill(id, 'SIGKILL');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
}

function isBrowser(id: number, others: readonly string[]): boolean {
  try {
    const environment = readFileSync(`/proc/${id}/environ`, 'utf8');
    return (
      [temporary, ...others].some((folder) => environment.includes(`UKKO_KEPT_FOLDER=${folder}`)) &&
      !/keeper\.mjs|chromedriver/.test(readFileSync(`/proc/${id}/cmdline`, 'utf8'))
    );
  } catch {
    return false;
  }
}
