import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import getPort from 'get-port';
import { afterAll } from 'vitest';
import { engineTarget } from '@/core/target/target';
import { engineNamed } from '@/engines/engines';
import { endSupervised, startSupervised, supervise } from '@/engines/process/supervised-process';
import { enginesAvailable } from '../fixtures/engines';
import { engineSuite } from './engine-suite';

/** chromedriver, as if it stood in the next room: an address in the engines file, and nothing else known of it. */
const remote = engineTarget('next-room', 'Next room', 'A W3C WebDriver endpoint.');
const nextRoom = (await enginesAvailable()) ? await startRemote() : null;
afterAll(() => nextRoom?.end());
engineSuite(remote, () => (nextRoom ? [nextRoom.folder] : []));

async function startRemote() {
  const supervised = await supervise('/usr/bin/chromedriver');
  const port = await getPort({ host: '127.0.0.1' });
  const keeper = startSupervised(supervised, [`--port=${port}`]);
  const file = join(mkdtempSync(join(tmpdir(), 'ukko-engines-file-')), 'engines.json');
  const args = ['--no-sandbox', '--headless', '--disable-dev-shm-usage', '--disable-background-networking'];
  const endpoint = {
    name: remote.engine,
    title: remote.name,
    address: `http://127.0.0.1:${port}`,
    capabilities: { browserName: 'chrome', 'goog:chromeOptions': { binary: '/usr/bin/chromium', args } },
  };
  writeFileSync(file, JSON.stringify({ endpoints: [endpoint] }));
  process.env.UKKO_ENGINES = file;
  for (let attempt = 0; attempt < 100; attempt++) {
    if ((await (await engineNamed(remote.engine)).find()).status === 'found') break;
    await wait(50);
  }
  return {
    folder: supervised.folder,
    end: async () => {
      await endSupervised(keeper, supervised);
      rmSync(join(file, '..'), { recursive: true });
    },
  };
}
