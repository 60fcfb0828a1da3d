import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import type { Measured } from '@/core/observation/provenance';
import type { Variant } from '@/core/target/variant';
import type { NoWindow } from '@/probe/api/window-on-display';
import { type AccessibilityBus, accessibilityBus } from '../accessibility/accessibility-bus';
import { answer, firstLine } from '../api/deadline';
import {
  EngineLost,
  type EnginePage,
  type EngineSession,
  forgetName,
  type LaunchOptions,
  type PrepareDocument,
} from '../api/engine';
import type { Gate } from '../api/gate';
import { pageWidth, viewportOf } from '../api/viewport';
import { type Display, findDisplayPrograms, startDisplay } from '../display/display';
import { localeFolder } from '../process/locale-folder';
import { endSupervised, type Supervised, supervise } from '../process/supervised-process';
import { launchBrowser, quietPage, versionOf } from './launch-browser';
import { type PuppeteerEngine, protocols } from './puppeteer-engine';
import { PuppeteerPage } from './puppeteer-page';

/** With a window on a display where there can be one; else without any, and what opens over a page stays unseen. */
export async function openPuppeteerSession(
  data: PuppeteerEngine,
  path: string,
  variant: Variant,
  { gate = null, signal, tellsAccessibility = false }: LaunchOptions,
): Promise<EngineSession> {
  const programs = await findDisplayPrograms();
  let display: Display | null = null;
  let supervised: Supervised | null = null;
  let bus: AccessibilityBus | null = null;
  try {
    // Chromium's own protocol tells it.
    if (tellsAccessibility && data.browser === 'firefox') bus = await accessibilityBus();
    const shown = 'status' in programs ? programs : await startDisplay(programs);
    if (!('status' in shown)) display = shown;
    const env: Record<string, string> = {
      ...data.env(variant),
      ...bus?.env,
      ...(display && { DISPLAY: display.name }),
    };
    supervised = await supervise(path, env);
    if (env.LANG) supervised.env.LOCPATH = await localeFolder(supervised.folder, env.LANG);
    const profile = join(supervised.folder, 'profile');
    const setup = { profile, parameters: data.parameters(variant), preferences: data.preferences(variant) };
    if (data.startsTwice(variant)) {
      // A keeper of its own: the folder of the one that counts, with the profile in it, has to stay.
      const first = await supervise(path, data.env(variant));
      await startOnce(data, { ...setup, supervised: first, headless: true, gate: null, signal });
    }
    const browser = await launchBrowser(data, {
      ...setup,
      supervised,
      headless: display === null,
      gate,
      signal,
    });
    const provenance: Measured = {
      mark: 'measured',
      engine: data.title,
      version: await versionOf(browser),
      protocol: protocols[data.protocol],
      unable: [],
    };
    return new PuppeteerSession({ browser, supervised, display: shown, bus, gate, data }, provenance);
  } catch (error) {
    if (supervised) await endSupervised(null, supervised);
    await display?.close();
    await bus?.close();
    throw new EngineLost({ code: 'no start', engine: data.title, said: firstLine(error) });
  }
}

/** Starts and ends the browser, so that its profile knows what a first start finds out. */
async function startOnce(data: PuppeteerEngine, launch: Parameters<typeof launchBrowser>[1]): Promise<void> {
  try {
    const browser = await launchBrowser(data, launch);
    await browser.close();
  } finally {
    await endSupervised(null, launch.supervised);
  }
}

/** A browser that runs, and what belongs to it. */
interface Running {
  readonly browser: Browser;
  readonly supervised: Supervised;
  readonly display: Display | NoWindow;
  readonly bus: AccessibilityBus | null;
  readonly gate: Gate | null;
  readonly data: PuppeteerEngine;
}

/** Over Chromium's own protocol: what deletes cookies over WebDriver BiDi leaves them there. */
async function clearCookies(page: Page): Promise<void> {
  const devtools = await page.createCDPSession();
  await devtools.send('Storage.clearCookies');
  await devtools.detach();
}

class PuppeteerSession implements EngineSession {
  /** Of the page that is open, CSS px. */
  private width = 0;
  private gate: Gate | null;

  constructor(
    private readonly running: Running,
    readonly provenance: Measured,
  ) {
    this.gate = running.gate;
  }

  placeGate(gate: Gate): void {
    this.gate = gate;
  }

  async open(
    address: string,
    probe: string,
    variant: Variant,
    prepare: PrepareDocument | null = null,
  ): Promise<EnginePage> {
    const { browser, supervised, display, bus, data } = this.running;
    this.width = viewportOf(variant).width;
    const { page, led } = await answer(
      data.title,
      () => browser.connected,
      () => quietPage(browser, data, this.gate),
    );
    const opened = new PuppeteerPage({
      engine: data.title,
      display,
      bus,
      variant,
      browser,
      page,
      led,
      address,
      probe,
      prepare,
      keyboard: data.keyboard(page),
      tellsAccessibility: data.browser === 'chrome',
      folder: supervised.folder,
    });
    await opened.open();
    return opened;
  }

  isThere(): boolean {
    return this.running.browser.connected;
  }

  renew(): Promise<void> {
    const { browser, data } = this.running;
    return answer(
      data.title,
      () => browser.connected,
      async () => {
        const [page] = await browser.pages();
        if (!page || (await page.evaluate(pageWidth)) !== this.width)
          throw new EngineLost({ code: 'ended', engine: data.title });
        await page.goto('about:blank');
        await page.evaluate(forgetName);
        if (data.browser === 'chrome') await clearCookies(page);
        else await browser.deleteCookie(...(await browser.cookies()));
      },
    );
  }

  async close(): Promise<void> {
    const { browser, supervised, display, bus } = this.running;
    await endSupervised(browser.process(), supervised);
    if (!('status' in display)) await display.close();
    await bus?.close();
  }
}
