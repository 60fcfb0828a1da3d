import type { Failure } from '@/core/observation/failure';
import type { UnusableEnginesFile } from '@/core/reading/file-fault';
import { type Engine, EngineLost } from './api/engine';
import { chromium } from './bidi/chromium';
import { firefox } from './bidi/firefox';
import { chromiumOverCdp } from './cdp/chromium-over-cdp';
import { readEnginesFile } from './network/engines-file';
import { remoteEngine } from './webdriver/remote';
import { webkit } from './webdriver/webkit';

/** Every engine that this version finds by itself. To add one, add its file here and its name to `engineNames`. */
export const engines = { chromium, firefox, webkit } as const satisfies Record<string, Engine>;

/** The same, each over the protocol that the environment asks for. */
export function ownEngines(): readonly Engine[] {
  const own = {
    ...engines,
    ...(process.env.UKKO_CHROMIUM_PROTOCOL === 'cdp' && { chromium: chromiumOverCdp }),
  };
  return Object.values(own);
}

export interface Engines {
  readonly all: readonly Engine[];
  /** The engines file where it cannot be used; null when it can, or when there is none. */
  readonly unusable: UnusableEnginesFile | null;
}

/** The engines above and the endpoints of the engines file. */
export async function everyEngine(): Promise<Engines> {
  const file = await readEnginesFile();
  const remote = file.status === 'read' ? file.endpoints.map(remoteEngine) : [];
  return {
    all: [...ownEngines(), ...remote],
    unusable: file.status === 'fault' ? { path: file.path, fault: file.fault } : null,
  };
}

/** The engine of this name. Throws `EngineLost`, with what to do, when there is none. */
export async function engineNamed(name: string): Promise<Engine> {
  const { all, unusable } = await everyEngine();
  const found = all.find((engine) => engine.name === name);
  if (found) return found;
  const failure: Failure =
    unusable === null ? { code: 'engine unknown', name } : { code: 'engines file', ...unusable };
  throw new EngineLost(failure, { isSettled: true });
}
