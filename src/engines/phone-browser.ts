import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { Capabilities, WebDriver } from 'selenium-webdriver';
import { Executor, HttpClient } from 'selenium-webdriver/http';
import { launchOptions } from './bidi-engine';
import { quietParameters } from './chromium';
import { answer, arrival, firstLine, startTimeout, withDeadline } from './deadline';
import { EngineLost } from './engine';
import { quietPreferences } from './firefox';
import { freePort } from './free-port';
import type { Gate } from './gate';
import { endKept, isRunning, type Keeping, keeping, startKept } from './kept';
import { answerDialogs, promptCapability } from './page-dialogs';
import { phoneSize } from './phone-screen';
import { standAt } from './stand-at-gate';
import { proxyEnvironment, throughProxy } from './through-proxy';
import { watchedBrowser } from './watched-browser';
import { answers, miniBrowser } from './webkit';

/** A browser that fills a phone-sized display, and one page of it. */
export interface PhoneBrowser {
  readonly version: string;
  open(address: string): Promise<void>;
  /** The value of a JavaScript expression in the page, as plain data. Throws `EngineLost` after the usual deadline. */
  evaluate(expression: string): Promise<unknown>;
  close(): Promise<void>;
}

type Env = Readonly<Record<string, string>>;

/** Starts each engine on a phone-sized display; the programs are those that the engines themselves found. */
export const phoneBrowsers: Readonly<
  Record<
    'chromium' | 'firefox' | 'webkit',
    (program: string, env: Env, gate: Gate | null) => Promise<PhoneBrowser>
  >
> = {
  chromium: (program, env, gate) =>
    overBidi('Chromium', 'chrome', program, env, gate, [
      ...quietParameters,
      '--ozone-platform=wayland',
      '--enable-wayland-ime',
      `--window-size=${phoneSize.width},${phoneSize.height}`,
    ]),
  firefox: (program, env, gate) =>
    overBidi('Firefox', 'firefox', program, { ...env, MOZ_ENABLE_WAYLAND: '1' }, gate, []),
  webkit: overWebDriver,
};

/** In Firefox’s automation every field would say that it wants plain text. */
const preferences = {
  ...quietPreferences,
  'focusmanager.testmode': false,
};

async function overBidi(
  title: string,
  browser: 'chrome' | 'firefox',
  program: string,
  env: Env,
  gate: Gate | null,
  parameters: readonly string[],
): Promise<PhoneBrowser> {
  const kept = await keeping(program, env);
  atHome(kept);
  const profile = join(kept.folder, 'profile');
  const proxied = gate?.holdsAll ? throughProxy[browser](gate.proxy) : null;
  try {
    await mkdir(join(profile, 'chrome'), { recursive: true });
    await writeFile(
      join(profile, 'chrome/userChrome.css'),
      '#navigator-toolbox{visibility:collapse!important}',
    );
    const driven = await puppeteer.launch({
      ...launchOptions,
      browser,
      executablePath: kept.path,
      userDataDir: profile,
      headless: false,
      args: [...parameters, ...(proxied?.parameters ?? [])],
      ignoreDefaultArgs: browser === 'chrome' ? ['--enable-automation'] : [],
      extraPrefsFirefox: { ...preferences, ...proxied?.preferences },
      env: kept.env,
    });
    const page = (await driven.pages())[0] ?? (await driven.newPage());
    answerDialogs(page);
    const led = gate && (await standAt(gate, page, browser));
    const isThere = () => driven.connected;
    return {
      version: /\d[\d.]*/.exec(await driven.version())?.[0] ?? 'unknown',
      open: async (address) => {
        const arrive = () =>
          arrival(title, isThere, () => page.goto(address, { waitUntil: 'load', timeout: 0 }));
        await (led ? led.unless(arrive) : arrive());
      },
      evaluate: (expression) => answer(title, isThere, () => page.evaluate(expression)),
      close: () => endKept(driven.process(), kept),
    };
  } catch (error) {
    await endKept(null, kept);
    throw lost(title, error);
  }
}

/** Whoever runs a browser has to own its folders; the display belongs to somebody else. */
function atHome({ env, folder }: Keeping): void {
  delete env.DISPLAY;
  env.HOME = folder;
  env.XDG_RUNTIME_DIR = folder;
}

async function overWebDriver(program: string, env: Env, gate: Gate | null): Promise<PhoneBrowser> {
  const port = await freePort();
  const kept = await keeping(program, {
    ...env,
    GDK_BACKEND: 'wayland',
    GTK_IM_MODULE: 'wayland',
    GSETTINGS_BACKEND: 'memory',
    NO_AT_BRIDGE: '1',
    ...(gate && proxyEnvironment(gate)),
  });
  atHome(kept);
  const binary = await miniBrowser();
  if (!binary) {
    await endKept(null, kept);
    throw new EngineLost('WebKit’s browser went missing. Install it again.');
  }
  const watched = await watchedBrowser(kept, binary);
  const keeper = startKept(kept, ['-p', String(port)]);
  try {
    const address = `http://127.0.0.1:${port}`;
    await answers(address, keeper);
    const capabilities = new Capabilities({
      ...promptCapability,
      acceptInsecureCerts: true,
      'webkitgtk:browserOptions': { binary: watched.path, args: ['--automation'] },
    });
    const isThere = () => isRunning(keeper);
    const executor = new Executor(new HttpClient(address));
    const driver = WebDriver.createSession(executor, capabilities);
    const told = await watched.whileRunning(withDeadline(driver.getCapabilities(), startTimeout, 'WebKit'));
    return {
      version: String(told.get('browserVersion') ?? 'unknown'),
      open: (address) => arrival('WebKit', isThere, () => driver.get(address)),
      evaluate: (expression) => answer('WebKit', isThere, () => driver.executeScript(`return ${expression}`)),
      async close() {
        await withDeadline(driver.quit(), 700, 'WebKit').catch(() => undefined);
        await endKept(keeper, kept);
      },
    };
  } catch (error) {
    await endKept(keeper, kept);
    throw lost('WebKit', error);
  }
}

function lost(title: string, error: unknown): EngineLost {
  return new EngineLost(`${title} did not start on the phone-sized display: ${firstLine(error)}`);
}
