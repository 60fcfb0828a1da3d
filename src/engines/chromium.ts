import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { isNamedKey } from '@/core/script/stroke';
import { projectRoot } from '@/probe/bundle';
import { type Box, type ProbeApi, probeGlobal } from '@/probe/probe-api';
import { cropAll } from './crop';
import {
  type Engine,
  type EngineFinding,
  EngineLost,
  type EnginePage,
  type EngineSession,
  viewport,
} from './engine';
import { findProgram } from './find-program';

const launchArguments = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  '--disable-quic',
  '--disable-dev-shm-usage',
  '--force-device-scale-factor=1',
  '--hide-scrollbars',
  '--lang=en-US',
];

/** Longest that one command may take before the engine counts as hung, ms. */
const commandTimeout = 15_000;

/** Chromium over WebDriver BiDi. `UKKO_CHROMIUM` names another program than the one on the path. */
export const chromium: Engine = {
  name: 'chromium',

  async find(): Promise<EngineFinding> {
    const path = await findProgram('UKKO_CHROMIUM', ['chromium', 'chromium-browser']);
    if (path) return { status: 'found', path };
    return {
      status: 'missing',
      remedy:
        'Chromium is not on this machine. Install it with “apt-get install chromium”, or set UKKO_CHROMIUM to its path.',
    };
  },

  async launch(path): Promise<EngineSession> {
    const folder = await mkdtemp(join(tmpdir(), 'ukko-browser-'));
    try {
      const browser = await puppeteer.launch({
        browser: 'chrome',
        protocol: 'webDriverBiDi',
        executablePath: join(projectRoot(), 'src/engines/keeper.mjs'),
        userDataDir: join(folder, 'profile'),
        headless: true,
        args: launchArguments,
        env: {
          ...process.env,
          LANGUAGE: 'en_US',
          LANG: 'en_US.UTF-8',
          UKKO_KEPT_PROGRAM: path,
          UKKO_KEPT_FOLDER: folder,
        },
        defaultViewport: { ...viewport, deviceScaleFactor: 1 },
        protocolTimeout: commandTimeout,
        // The server ends its sweeps itself when it is told to stop.
        handleSIGINT: false,
        handleSIGTERM: false,
        handleSIGHUP: false,
      });
      return new ChromiumSession(browser, await provenanceOf(browser));
    } catch (error) {
      await rm(folder, { recursive: true, force: true });
      throw new EngineLost(`Chromium did not start: ${firstLine(error)}`);
    }
  },
};

async function provenanceOf(browser: Browser): Promise<Measured> {
  const version = /\d[\d.]*/.exec(await browser.version())?.[0] ?? 'unknown';
  return { mark: 'measured', engine: 'Chromium', version, protocol: 'WebDriver BiDi' };
}

function firstLine(error: unknown): string {
  return (error instanceof Error ? error.message : String(error)).split('\n')[0] ?? '';
}

class ChromiumSession implements EngineSession {
  constructor(
    private readonly browser: Browser,
    readonly provenance: Measured,
  ) {}

  async open(address: string, probe: string): Promise<EnginePage> {
    const page = await answer(this.browser, () => this.browser.newPage());
    const opened = new ChromiumPage(this.browser, page, address, probe);
    await opened.reload();
    return opened;
  }

  /** There is nothing in it to be saved: ending its keeper, which cleans up, is quicker than asking the browser to close. */
  async close(): Promise<void> {
    const keeper = this.browser.process();
    if (!keeper || keeper.exitCode !== null || keeper.signalCode !== null) return;
    const exit = new Promise((resolve) => keeper.once('exit', resolve));
    keeper.kill('SIGTERM');
    await withDeadline(exit, 5000).catch(() => keeper.kill('SIGKILL'));
  }
}

class ChromiumPage implements EnginePage {
  readonly drawsFocus = true;

  constructor(
    private readonly browser: Browser,
    private readonly page: Page,
    private readonly address: string,
    private readonly code: string,
  ) {}

  reload(): Promise<void> {
    return answer(this.browser, async () => {
      await this.page.goto(this.address, { waitUntil: 'load', timeout: commandTimeout });
      await this.page.evaluate(this.code);
      await this.page.evaluate(`window.${probeGlobal}.settle()`);
    });
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const call = `(() => window.${probeGlobal}.${method}(...${JSON.stringify(parameters)}))()`;
    return answer(this.browser, async () => (await this.page.evaluate(call)) as ReturnType<ProbeApi[Method]>);
  }

  press(key: string): Promise<void> {
    return answer(this.browser, async () => {
      // The protocol takes one code point a key; a grapheme of several is several keys, as on a keyboard that has them.
      const keys = isNamedKey(key) ? [key] : [...key];
      for (const one of keys) await this.page.keyboard.press(one as Parameters<Page['keyboard']['press']>[0]);
    });
  }

  async pictures(
    boxes: readonly (Box | null)[],
    document: { width: number; height: number },
  ): Promise<(Picture | null)[]> {
    // One box is cut by the browser; many are cut here out of one picture of the whole document.
    const [only] = boxes;
    const clip = boxes.length === 1 && only ? only : { x: 0, y: 0, ...document };
    const png = await answer(this.browser, () =>
      this.page.screenshot({ type: 'png', clip, captureBeyondViewport: true }),
    );
    return cropAll(
      png,
      boxes.map((box) => box && { ...box, x: box.x - clip.x, y: box.y - clip.y }),
    );
  }

  async close(): Promise<void> {
    await withDeadline(this.page.close(), 3000).catch(() => undefined);
  }
}

/** Runs one command; whatever goes wrong with the connection becomes `EngineLost`, and a hung browser does too. */
async function answer<T>(browser: Browser, command: () => Promise<T>): Promise<T> {
  try {
    return await withDeadline(command(), commandTimeout);
  } catch (error) {
    if (!browser.connected) throw new EngineLost('Chromium went away in the middle of the work.');
    if (error instanceof Error && error.name === 'EngineLost') throw error;
    throw new EngineLost(`Chromium did not answer: ${firstLine(error)}`);
  }
}

async function withDeadline<T>(work: Promise<T>, ms: number): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new EngineLost(`Chromium did not answer within ${ms / 1000} s.`)), ms);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}
