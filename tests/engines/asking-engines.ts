import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll } from 'vitest';
import type { Picture } from '@/core/observation/picture';
import type { Asking } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';
import { type Browsers, newBrowsers } from '@/engines/pool/browsers';
import { WarmBrowsers } from '@/engines/pool/warm-browsers';
import { sweepEngines } from '@/engines/sweep-engines';

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
  browsers: Browsers = newBrowsers,
): Promise<Heard> {
  const messages: SweepMessage[] = [];
  await sweepEngines(
    [asked].flat(),
    asking,
    (message) => {
      if (message.type === 'observation' && !messages.some(({ type }) => type === 'observation'))
        rememberKeepers();
      messages.push(message);
      on?.(message);
    },
    signal,
    { browsers },
  );
  return {
    messages,
    observations: messages.flatMap((m) => (m.type === 'observation' ? [m.observation] : [])),
    pictures: new Map(
      messages.flatMap((m) => (m.type === 'picture' ? [[m.picture.id, m.picture] as const] : [])),
    ),
  };
}

/** Asks as `ask` does, by browsers that are kept from one question to the next, until the tests of this group have ended. */
export function askingWarm(): (
  asked: EngineTarget | readonly EngineTarget[],
  asking: Asking,
) => Promise<Heard> {
  const browsers = new WarmBrowsers();
  afterAll(() => browsers.close());
  return (asked, asking) => ask(asked, asking, undefined, undefined, browsers);
}

/** Groups of processes that keepers of this file lead or led: some browsers write over their environment. */
const groups = new Set<number>();

/** Remembers the groups of the keepers that run now, by which their browsers are known when they are gone. */
export function rememberKeepers(others: readonly string[] = []): void {
  for (const id of processes()) if (isMarked(id, others)) groups.add(groupOf(id));
}

/**
 * Process ids of browsers (not their keepers) that were started here and still run: each has its folder in its environment, or is in
 * the group of a keeper that had.
 * @param others folders of browsers that were not started by this process
 */
export function browsers(others: readonly string[] = []): number[] {
  rememberKeepers(others);
  return processes().filter((id) => {
    if (isMarked(id, others)) return !isKeeper(id);
    const group = groupOf(id);
    return group > 0 && groups.has(group) && !isKeeper(id);
  });
}

function processes(): number[] {
  return readdirSync('/proc')
    .map(Number)
    .filter((id) => Number.isInteger(id) && id !== process.pid);
}

/** A browser that goes with its display has gone by itself when its turn comes. */
export function kill(id: number): void {
  try {
    process.kill(id, 'SIGKILL');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
}

function isMarked(id: number, others: readonly string[]): boolean {
  const environment = textOf(id, 'environ');
  return [temporary, ...others].some((folder) => environment.includes(`UKKO_KEPT_FOLDER=${folder}`));
}

/** By the program and its script alone: a browser's own parameters may name its driver too. */
function isKeeper(id: number): boolean {
  const [program = '', script = ''] = textOf(id, 'cmdline').split(/[\0 ]/);
  return /keeper\.mjs|chromedriver/.test(`${program} ${script}`);
}

/** 0 for a process that has ended, a zombie among them; never the group of the tests themselves. */
function groupOf(id: number): number {
  const [state, , group] = textOf(id, 'stat').split(') ').at(-1)?.split(' ') ?? [];
  return state === 'Z' || Number(group) === ownGroup ? 0 : Number(group ?? 0);
}
const ownGroup = Number(readFileSync('/proc/self/stat', 'utf8').split(') ').at(-1)?.split(' ')[2]);

/** Empty for a process that has ended. */
function textOf(id: number, file: 'environ' | 'cmdline' | 'stat'): string {
  try {
    return readFileSync(`/proc/${id}/${file}`, 'utf8');
  } catch {
    return '';
  }
}
