import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { startTimeout, withDeadline } from '../api/deadline';
import type { Gate } from '../api/gate';
import { keepQuiet } from '../api/page-dialogs';
import { slowest } from '../api/stopwatch';
import { type LedAway, standAt } from '../network/stand-at-gate';
import type { ThroughProxy } from '../network/through-proxy';
import type { Supervised } from '../process/supervised-process';
import { letGoOfLateRejections } from './late-rejections';
import type { PuppeteerEngine } from './puppeteer-engine';

const launchOptions = {
  defaultViewport: null,
  // Dev servers sign their certificates themselves.
  acceptInsecureCerts: true,
  // Every start and every command has a deadline of its own, which follows the machine; these are on the wall.
  protocolTimeout: startTimeout / slowest,
  timeout: startTimeout / slowest,
  // The server ends its sweeps itself when it is told to stop.
  handleSIGINT: false,
  handleSIGTERM: false,
  handleSIGHUP: false,
} as const;

/** What one start of a browser has of its own; its folder, its path and its environment are those of `supervised`. */
export interface BrowserLaunch {
  readonly supervised: Supervised;
  /** Where its profile is, or comes to be. */
  readonly profile: string;
  readonly parameters: readonly string[];
  readonly preferences: ThroughProxy['preferences'];
  readonly headless: boolean;
  /** What stands between its pages and other addresses; null: nothing. */
  readonly gate: Gate | null;
  /** Ends it while it is still starting. */
  readonly signal?: AbortSignal | undefined;
}

/** Starts a browser, on whatever display its environment names. Throws whatever the library throws, and `EngineLost` when it is late. */
export async function launchBrowser(
  data: Pick<PuppeteerEngine, 'title' | 'protocol' | 'browser' | 'without' | 'throughProxy' | 'profile'>,
  { supervised, profile, parameters, preferences, headless, gate, signal }: BrowserLaunch,
): Promise<Browser> {
  letGoOfLateRejections();
  const proxied = gate?.holdsAll ? data.throughProxy(gate.proxy) : null;
  for (const [name, content] of Object.entries(data.profile)) {
    await mkdir(join(profile, name, '..'), { recursive: true });
    await writeFile(join(profile, name), content);
  }
  signal?.throwIfAborted();
  const starting = new AbortController();
  const stop = () => starting.abort(signal?.reason);
  signal?.addEventListener('abort', stop, { once: true });
  const launching = puppeteer.launch({
    ...launchOptions,
    protocol: data.protocol,
    signal: starting.signal,
    browser: data.browser,
    executablePath: supervised.path,
    userDataDir: profile,
    headless,
    args: [...parameters, ...(proxied?.parameters ?? [])],
    ignoreDefaultArgs: [...data.without],
    extraPrefsFirefox: { ...preferences, ...proxied?.preferences },
    env: supervised.env,
  });
  // A browser that has started is ended by its session, which knows what belongs to it.
  try {
    return await withDeadline(launching, startTimeout, data.title);
  } catch (error) {
    starting.abort(error);
    throw error;
  } finally {
    signal?.removeEventListener('abort', stop);
  }
}

/** `155.0.1`, of what a browser says of itself. */
export async function versionOf(browser: Browser): Promise<string> {
  return /\d[\d.]*/.exec(await browser.version())?.[0] ?? 'unknown';
}

/** The page of a browser, and what its gate knows of where it was led. */
export interface QuietPage {
  readonly page: Page;
  readonly led: LedAway | null;
}

/** The page that is there, for another one would not be the active one at once; it asks nothing of anybody. */
export async function quietPage(
  browser: Browser,
  { browser: kind }: Pick<PuppeteerEngine, 'browser'>,
  gate: Gate | null,
): Promise<QuietPage> {
  const page = (await browser.pages())[0] ?? (await browser.newPage());
  await keepQuiet(page);
  return { page, led: gate && (await standAt(gate, page, kind)) };
}
