import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { isNamedKey } from '@/core/script/stroke';
import type { EngineName } from '@/core/target/target';
import { type Box, type ProbeApi, probeGlobal } from '@/probe/probe-api';
import { cropAll } from './crop';
import { answer, commandTimeout, firstLine } from './deadline';
import { type Engine, EngineLost, type EnginePage, type EngineSession, viewport } from './engine';
import { findProgram } from './find-program';
import { endKept, type Keeping, keeping } from './kept';

/** What one engine that speaks WebDriver BiDi needs, as data. */
export interface BidiEngine {
  readonly name: EngineName;
  readonly title: string;
  readonly browser: 'chrome' | 'firefox';
  /** The environment variable that names another program than those on the path. */
  readonly variable: string;
  readonly programs: readonly string[];
  readonly debianPackage: string;
  readonly parameters: readonly string[];
  readonly env: Record<string, string>;
  readonly preferences: Record<string, string | number | boolean>;
}

/** An engine over WebDriver BiDi. */
export function bidiEngine(data: BidiEngine): Engine {
  return {
    name: data.name,
    async find() {
      const path = await findProgram(data.variable, data.programs);
      if (path) return { status: 'found', path };
      const remedy = `${data.title} is not on this machine. Install it with “apt-get install ${data.debianPackage}”, or set ${data.variable} to its path.`;
      return { status: 'missing', remedy };
    },
    launch: (path) => launch(data, path),
  };
}

async function launch(data: BidiEngine, path: string): Promise<EngineSession> {
  const kept = await keeping(path, data.env);
  try {
    const browser = await puppeteer.launch({
      browser: data.browser,
      protocol: 'webDriverBiDi',
      executablePath: kept.path,
      userDataDir: join(kept.folder, 'profile'),
      headless: true,
      args: [...data.parameters],
      extraPrefsFirefox: data.preferences,
      env: kept.env,
      defaultViewport: { ...viewport, deviceScaleFactor: 1 },
      protocolTimeout: commandTimeout,
      timeout: 30_000,
      // The server ends its sweeps itself when it is told to stop.
      handleSIGINT: false,
      handleSIGTERM: false,
      handleSIGHUP: false,
    });
    const version = /\d[\d.]*/.exec(await browser.version())?.[0] ?? 'unknown';
    return new BidiSession(browser, kept, {
      mark: 'measured',
      engine: data.title,
      version,
      protocol: 'WebDriver BiDi',
    });
  } catch (error) {
    await endKept(null, kept);
    throw new EngineLost(`${data.title} did not start: ${firstLine(error)}`);
  }
}

class BidiSession implements EngineSession {
  constructor(
    private readonly browser: Browser,
    private readonly kept: Keeping,
    readonly provenance: Measured,
  ) {}

  async open(address: string, probe: string): Promise<EnginePage> {
    const { browser } = this;
    const page = await answer(
      this.provenance.engine,
      () => browser.connected,
      () => browser.newPage(),
    );
    const opened = new BidiPage(browser, this.provenance.engine, page, address, probe);
    await opened.reload();
    return opened;
  }

  close(): Promise<void> {
    return endKept(this.browser.process(), this.kept);
  }
}

class BidiPage implements EnginePage {
  readonly drawsFocus = true;

  constructor(
    private readonly browser: Browser,
    private readonly engine: string,
    private readonly page: Page,
    private readonly address: string,
    private readonly code: string,
  ) {}

  reload(): Promise<void> {
    return this.answer(async () => {
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
    return this.answer(async () => (await this.page.evaluate(call)) as ReturnType<ProbeApi[Method]>);
  }

  press(key: string): Promise<void> {
    return this.answer(async () => {
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
    const png = await this.answer(() =>
      this.page.screenshot({ type: 'png', clip, captureBeyondViewport: true }),
    );
    return cropAll(
      png,
      boxes.map((box) => box && { ...box, x: box.x - clip.x, y: box.y - clip.y }),
    );
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.engine, () => this.browser.connected, command);
  }
}
