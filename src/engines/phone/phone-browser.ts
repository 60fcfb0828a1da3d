import { join } from 'node:path';
import { answer, firstLine, navigated } from '../api/deadline';
import { EngineLost } from '../api/engine';
import type { Gate } from '../api/gate';
import { chromiumOverBidi } from '../bidi/chromium';
import { firefoxData } from '../bidi/firefox';
import { endSupervised, type Supervised, supervise } from '../process/supervised-process';
import { launchBrowser, quietPage, versionOf } from '../puppeteer/launch-browser';
import type { PuppeteerEngine } from '../puppeteer/puppeteer-engine';
import { miniBrowser, startMiniBrowser } from '../webdriver/mini-browser';
import { openDriver, quitDriver } from '../webdriver/webdriver-session';

/** A browser that fills a phone-sized display, and one page of it. */
export interface PhoneBrowser {
  readonly version: string;
  open(address: string): Promise<void>;
  /** The value of a JavaScript expression in the page, as plain data. Throws `EngineLost` after the usual deadline. */
  evaluate(expression: string): Promise<unknown>;
  close(): Promise<void>;
}

type Env = Readonly<Record<string, string>>;
/** @param program that which the engine itself found */
type StartOnPhone = (program: string, env: Env, gate: Gate | null) => Promise<PhoneBrowser>;

/** Starts each engine on a phone-sized display. */
export const phoneBrowsers: Readonly<Record<'chromium' | 'firefox' | 'webkit', StartOnPhone>> = {
  chromium: overPuppeteer(chromiumOverBidi),
  firefox: overPuppeteer(firefoxData),
  webkit: overWebDriver,
};

function overPuppeteer(data: PuppeteerEngine): StartOnPhone {
  const { title, onPhone } = data;
  return async (program, env, gate) => {
    const supervised = await supervise(program, { ...env, ...onPhone.env });
    atHome(supervised);
    try {
      const browser = await launchBrowser(data, {
        supervised,
        profile: join(supervised.folder, 'profile'),
        parameters: onPhone.parameters,
        preferences: onPhone.preferences,
        headless: false,
        gate,
      });
      const { page, led } = await quietPage(browser, data, gate);
      const isThere = () => browser.connected;
      return {
        version: await versionOf(browser),
        open: async (address) => {
          const navigate = () =>
            navigated(title, isThere, () => page.goto(address, { waitUntil: 'load', timeout: 0 }));
          await (led ? led.unless(navigate) : navigate());
        },
        evaluate: (expression) => answer(title, isThere, () => page.evaluate(expression)),
        close: () => endSupervised(browser.process(), supervised),
      };
    } catch (error) {
      await endSupervised(null, supervised);
      throw lost(title, error);
    }
  };
}

/** Whoever runs a browser has to own its folders; the display belongs to somebody else. */
function atHome({ env, folder }: Supervised): void {
  delete env.DISPLAY;
  env.HOME = folder;
  env.XDG_RUNTIME_DIR = folder;
}

async function overWebDriver(program: string, env: Env, gate: Gate | null): Promise<PhoneBrowser> {
  const browser = await miniBrowser();
  if (!browser) throw new EngineLost({ code: 'programs gone', engine: 'WebKit' });
  const launch = {
    driver: program,
    browser,
    env: {
      ...env,
      GDK_BACKEND: 'wayland',
      GTK_IM_MODULE: 'wayland',
      GSETTINGS_BACKEND: 'memory',
      NO_AT_BRIDGE: '1',
    },
    prepare: atHome,
    gate,
  };
  try {
    return await startMiniBrowser(launch, async (started): Promise<PhoneBrowser> => {
      const { title, isThere } = started;
      const { driver, version } = await openDriver(started);
      return {
        version,
        open: (address) => navigated(title, isThere, () => driver.get(address)),
        evaluate: (expression) => answer(title, isThere, () => driver.executeScript(`return ${expression}`)),
        close: () => quitDriver(driver, started),
      };
    });
  } catch (error) {
    throw lost('WebKit', error);
  }
}

function lost(title: string, error: unknown): EngineLost {
  return new EngineLost({ code: 'phone no start', engine: title, said: firstLine(error) });
}
