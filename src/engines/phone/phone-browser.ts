import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import getPort from 'get-port';
import puppeteer from 'puppeteer-core';
import { Capabilities, WebDriver } from 'selenium-webdriver';
import { Executor, HttpClient } from 'selenium-webdriver/http';
import { answer, firstLine, navigated, startTimeout, withDeadline } from '../api/deadline';
import { EngineLost } from '../api/engine';
import type { Gate } from '../api/gate';
import { keepQuiet, promptCapability } from '../api/page-dialogs';
import { leftOut, quietParameters } from '../bidi/chromium';
import { quietPreferences } from '../bidi/firefox';
import { standAt } from '../network/stand-at-gate';
import { proxyEnvironment, throughProxy } from '../network/through-proxy';
import {
  endSupervised,
  isRunning,
  type Supervised,
  startSupervised,
  supervise,
} from '../process/supervised-process';
import { watchedBrowser } from '../process/watched-browser';
import { letGoOfLateRejections } from '../puppeteer/late-rejections';
import { launchOptions } from '../puppeteer/puppeteer-engine';
import { answers, miniBrowser } from '../webdriver/webkit';
import { phoneSize } from './phone-screen';

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
  const supervised = await supervise(program, env);
  atHome(supervised);
  const profile = join(supervised.folder, 'profile');
  const proxied = gate?.holdsAll ? throughProxy[browser](gate.proxy) : null;
  try {
    await mkdir(join(profile, 'chrome'), { recursive: true });
    await writeFile(
      join(profile, 'chrome/userChrome.css'),
      '#navigator-toolbox{visibility:collapse!important}',
    );
    letGoOfLateRejections();
    const driven = await puppeteer.launch({
      ...launchOptions,
      protocol: 'webDriverBiDi',
      browser,
      executablePath: supervised.path,
      userDataDir: profile,
      headless: false,
      args: [...parameters, ...(proxied?.parameters ?? [])],
      ignoreDefaultArgs: browser === 'chrome' ? [...leftOut] : [],
      extraPrefsFirefox: { ...preferences, ...proxied?.preferences },
      env: supervised.env,
    });
    const page = (await driven.pages())[0] ?? (await driven.newPage());
    await keepQuiet(page);
    const led = gate && (await standAt(gate, page, browser));
    const isThere = () => driven.connected;
    return {
      version: /\d[\d.]*/.exec(await driven.version())?.[0] ?? 'unknown',
      open: async (address) => {
        const navigate = () =>
          navigated(title, isThere, () => page.goto(address, { waitUntil: 'load', timeout: 0 }));
        await (led ? led.unless(navigate) : navigate());
      },
      evaluate: (expression) => answer(title, isThere, () => page.evaluate(expression)),
      close: () => endSupervised(driven.process(), supervised),
    };
  } catch (error) {
    await endSupervised(null, supervised);
    throw lost(title, error);
  }
}

/** Whoever runs a browser has to own its folders; the display belongs to somebody else. */
function atHome({ env, folder }: Supervised): void {
  delete env.DISPLAY;
  env.HOME = folder;
  env.XDG_RUNTIME_DIR = folder;
}

async function overWebDriver(program: string, env: Env, gate: Gate | null): Promise<PhoneBrowser> {
  const port = await getPort({ host: '127.0.0.1' });
  const supervised = await supervise(program, {
    ...env,
    GDK_BACKEND: 'wayland',
    GTK_IM_MODULE: 'wayland',
    GSETTINGS_BACKEND: 'memory',
    NO_AT_BRIDGE: '1',
    ...(gate && proxyEnvironment(gate)),
  });
  atHome(supervised);
  const binary = await miniBrowser();
  if (!binary) {
    await endSupervised(null, supervised);
    throw new EngineLost({ code: 'programs gone', engine: 'WebKit' });
  }
  const watched = await watchedBrowser(supervised, binary);
  const keeper = startSupervised(supervised, ['-p', String(port)]);
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
      open: (address) => navigated('WebKit', isThere, () => driver.get(address)),
      evaluate: (expression) => answer('WebKit', isThere, () => driver.executeScript(`return ${expression}`)),
      async close() {
        await withDeadline(driver.quit(), 700, 'WebKit').catch(() => undefined);
        await endSupervised(keeper, supervised);
      },
    };
  } catch (error) {
    await endSupervised(keeper, supervised);
    throw lost('WebKit', error);
  }
}

function lost(title: string, error: unknown): EngineLost {
  return new EngineLost({ code: 'phone no start', engine: title, said: firstLine(error) });
}
