import { chromium } from './chromium';
import type { Engine } from './engine';
import { readEnginesFile } from './engines-file';
import { firefox } from './firefox';
import { remoteEngine } from './remote';
import { webkit } from './webkit';

/** Every engine that this version finds by itself. To add one, add its file here and its name to `engineNames`. */
export const engines = { chromium, firefox, webkit } as const satisfies Record<string, Engine>;

/** The engines above and the endpoints of the engines file. */
export async function everyEngine(): Promise<readonly Engine[]> {
  const file = await readEnginesFile();
  const remote = file.status === 'read' ? file.endpoints.map(remoteEngine) : [];
  return [...Object.values(engines), ...remote];
}

/** The engine of this name, or a sentence that says why there is none. */
export async function engineNamed(name: string): Promise<Engine | string> {
  const found = (await everyEngine()).find((engine) => engine.name === name);
  if (found) return found;
  const file = await readEnginesFile();
  return file.status === 'fault'
    ? file.text
    : `There is no engine “${name}” here. Name its endpoint in the engines file, or take the target out of the line-up.`;
}
