import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import puppeteer, { type Browser, type KeyInput, type Page } from 'puppeteer-core';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import { isNamedKey } from '@/core/script/stroke';
import type { Variant } from '@/core/target/variant';
import type { AccessibilityReading } from '@/probe/api/askable-page';
import { type Box, type ProbeApi, type ProbeField, probeHere } from '@/probe/api/probe-api';
import type { NoWindow } from '@/probe/api/window-on-display';
import { type AccessibilityBus, accessibilityBus } from '../accessibility/accessibility-bus';
import { DevtoolsTree } from '../accessibility/devtools-tree';
import { answer, firstLine, navigated, startTimeout, withDeadline } from '../api/deadline';
import {
  type Engine,
  EngineLost,
  type EnginePage,
  type EngineSession,
  type LaunchOptions,
  type PrepareDocument,
} from '../api/engine';
import type { Gate } from '../api/gate';
import { keepQuiet } from '../api/page-dialogs';
import { slowest } from '../api/stopwatch';
import { viewportOf } from '../api/viewport';
import { type Display, findDisplayPrograms, startDisplay } from '../display/display';
import { PageOnDisplay } from '../display/page-on-display';
import { type LedAway, standAt } from '../network/stand-at-gate';
import type { ThroughProxy } from '../network/through-proxy';
import { afterPaint } from '../picture/after-paint';
import { cropAll } from '../picture/crop';
import { findProgram, programVersion } from '../process/find-program';
import { endSupervised, type Supervised, supervise } from '../process/supervised-process';
import { letGoOfLateRejections } from './late-rejections';

/** The protocols over which puppeteer drives a browser, by what they are called. */
export const protocols = {
  webDriverBiDi: 'WebDriver BiDi',
  cdp: 'Chrome DevTools Protocol',
} as const;

/** Keys of a page, each held down and let go by itself, or both. */
export interface PageKeyboard {
  down(key: KeyInput): Promise<void>;
  up(key: KeyInput): Promise<void>;
  press(key: KeyInput): Promise<void>;
}

/** What one engine that puppeteer drives needs, as data. */
export interface PuppeteerEngine {
  readonly protocol: keyof typeof protocols;
  /** What presses keys in a page. */
  keyboard(page: Page): PageKeyboard;
  readonly name: string;
  readonly title: string;
  readonly browser: 'chrome' | 'firefox';
  /** The environment variable that names another program than those on the path. */
  readonly variable: string;
  readonly programs: readonly string[];
  readonly debianPackages: readonly string[];
  /** puppeteer's own parameters that are left out. */
  readonly without: readonly string[];
  parameters(variant: Variant): readonly string[];
  env(variant: Variant): Record<string, string>;
  preferences(variant: Variant): ThroughProxy['preferences'];
  /** What makes it ask everything but this machine through a proxy (`host:port`). */
  throughProxy(proxy: string): ThroughProxy;
  /** Whether one start is needed before the one that counts. */
  startsTwice(variant: Variant): boolean;
  readonly wordsPackages: Engine['wordsPackages'];
  /** Files that the profile needs before the first start, by their path in it. */
  readonly profile: Readonly<Record<string, string>>;
}

/** Pixels of the largest picture that is taken: browsers take none of what is much larger. */
const mostPixels = 100_000_000;

/** How every browser is launched. */
export const launchOptions = {
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

/** An engine over WebDriver BiDi or the Chrome DevTools Protocol; in both a page is asked by the same calls. */
export function puppeteerEngine(data: PuppeteerEngine): Engine {
  return {
    name: data.name,
    title: data.title,
    protocol: protocols[data.protocol],
    pagesFrom: null,
    wordsPackages: data.wordsPackages,
    async find() {
      const path = await findProgram(data.variable, data.programs);
      if (path) return { status: 'found', path, version: await programVersion(path) };
      const { title: engine, debianPackages: packages, variable } = data;
      return {
        status: 'missing',
        failure: { code: 'engine missing', engine, packages, variable },
      };
    },
    launch: (path, variant, how = {}) => launch(data, path, variant, how),
  };
}

/** With a window on a display where there can be one; else without any, and what opens over a page stays unseen. */
async function launch(
  data: PuppeteerEngine,
  path: string,
  variant: Variant,
  { gate = null, signal, tellsAccessibility = false }: LaunchOptions,
): Promise<EngineSession> {
  letGoOfLateRejections();
  const programs = await findDisplayPrograms();
  let display: Display | null = null;
  let supervised: Supervised | null = null;
  let bus: AccessibilityBus | null = null;
  try {
    // Chromium's own protocol tells it.
    if (tellsAccessibility && data.browser === 'firefox') bus = await accessibilityBus();
    const shown = 'status' in programs ? programs : await startDisplay(programs);
    if (!('status' in shown)) display = shown;
    const env = { ...data.env(variant), ...bus?.env, ...(display && { DISPLAY: display.name }) };
    supervised = await supervise(path, env);
    const profile = join(supervised.folder, 'profile');
    if (data.startsTwice(variant)) await startOnce(data, path, profile, variant, signal);
    const browser = await start(data, supervised, profile, variant, display === null, gate, signal);
    const version = /\d[\d.]*/.exec(await browser.version())?.[0] ?? 'unknown';
    const provenance: Measured = {
      mark: 'measured',
      engine: data.title,
      version,
      protocol: protocols[data.protocol],
      unable: [],
    };
    return new PuppeteerSession(browser, supervised, shown, bus, provenance, gate, data);
  } catch (error) {
    if (supervised) await endSupervised(null, supervised);
    await display?.close();
    await bus?.close();
    throw new EngineLost({ code: 'no start', engine: data.title, said: firstLine(error) });
  }
}

/** Starts and ends the browser, so that its profile knows what a first start finds out. */
async function startOnce(
  data: PuppeteerEngine,
  path: string,
  profile: string,
  variant: Variant,
  signal?: AbortSignal,
): Promise<void> {
  // A keeper of its own: the folder of the one that counts, with the profile in it, has to stay.
  const supervised = await supervise(path, data.env(variant));
  try {
    const browser = await start(data, supervised, profile, variant, true, null, signal);
    await browser.close();
  } finally {
    await endSupervised(null, supervised);
  }
}

async function start(
  data: PuppeteerEngine,
  supervised: Supervised,
  profile: string,
  variant: Variant,
  headless: boolean,
  gate: Gate | null,
  signal?: AbortSignal,
): Promise<Browser> {
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
    args: [...data.parameters(variant), ...(proxied?.parameters ?? [])],
    ignoreDefaultArgs: [...data.without],
    extraPrefsFirefox: { ...data.preferences(variant), ...proxied?.preferences },
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

/** The protocol takes one code point a key; a grapheme of several is several keys, as on a keyboard that has them. */
function puppeteerKeys(key: string): KeyInput[] {
  return (isNamedKey(key) ? [key] : [...key]) as KeyInput[];
}

class PuppeteerSession implements EngineSession {
  constructor(
    private readonly browser: Browser,
    private readonly supervised: Supervised,
    private readonly display: Display | NoWindow,
    private readonly bus: AccessibilityBus | null,
    readonly provenance: Measured,
    private readonly gate: Gate | null,
    private readonly data: Pick<PuppeteerEngine, 'browser' | 'keyboard'>,
  ) {}

  async open(
    address: string,
    probe: string,
    variant: Variant,
    prepare: PrepareDocument | null = null,
  ): Promise<EnginePage> {
    const { browser, display } = this;
    const page = await answer(
      this.provenance.engine,
      () => browser.connected,
      // The window that is there: another one would not be the active one at once.
      async () => (await browser.pages())[0] ?? (await browser.newPage()),
    );
    await keepQuiet(page);
    const led = this.gate && (await standAt(this.gate, page, this.data.browser));
    const opened = new PuppeteerPage(
      this.provenance.engine,
      display,
      this.bus,
      variant,
      browser,
      page,
      address,
      probe,
      prepare,
      led,
      this.data.keyboard(page),
      this.data.browser,
    );
    await opened.reload();
    // Finding the window gives it the focus, without which no field shows that it has it.
    await opened.window();
    return opened;
  }

  async close(): Promise<void> {
    await endSupervised(this.browser.process(), this.supervised);
    if (!('status' in this.display)) await this.display.close();
    await this.bus?.close();
  }
}

const fieldsAtOnce = 100;

class PuppeteerPage extends PageOnDisplay implements EnginePage {
  constructor(
    engine: string,
    display: Display | NoWindow,
    bus: AccessibilityBus | null,
    variant: Variant,
    private readonly browser: Browser,
    private readonly page: Page,
    private readonly address: string,
    private readonly code: string,
    private readonly prepare: PrepareDocument | null,
    private readonly led: LedAway | null,
    private readonly keyboard: PageKeyboard,
    private readonly kind: PuppeteerEngine['browser'],
  ) {
    super(engine, display, variant, bus);
  }

  protected run(script: string): Promise<unknown> {
    return this.evaluate(script);
  }

  protected isThere(): boolean {
    return this.browser.connected;
  }

  async reload(): Promise<void> {
    const viewport = { ...viewportOf(this.variant), deviceScaleFactor: this.variant.zoom };
    await this.answer(() => this.page.setViewport(viewport));
    const navigate = () => this.navigate();
    await (this.led ? this.led.unless(navigate) : navigate());
    await this.evaluate(this.code);
    await this.evaluate(`${probeHere}.settle()`);
  }

  private async navigate(): Promise<void> {
    await navigated(
      this.engine,
      () => this.browser.connected,
      () => this.page.goto(this.address, { waitUntil: 'load', timeout: 0 }),
    );
    await this.prepare?.((expression) => this.evaluate(expression));
  }

  evaluate(expression: string): Promise<unknown> {
    return this.answer(() => this.page.evaluate(expression));
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const call = `(() => ${probeHere}.${method}(...${JSON.stringify(parameters)}))()`;
    return this.answer(async () => (await this.page.evaluate(call)) as ReturnType<ProbeApi[Method]>);
  }

  override accessibility(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    return this.kind === 'chrome' ? this.overItsProtocol(fields) : super.accessibility(fields);
  }

  /** So many fields in one command: each of them takes a few ms, and a command has a deadline. */
  private async overItsProtocol(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    const tree = await this.answer(async () => DevtoolsTree.read(await this.page.createCDPSession()));
    const facts: (AccessibilityFacts | null)[] = [];
    for (let at = 0; at < fields.length; at += fieldsAtOnce)
      facts.push(...(await this.answer(() => tree.factsOf(fields.slice(at, at + fieldsAtOnce)))));
    await this.answer(() => tree.close());
    return { status: 'read', facts };
  }

  press(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.keyboard.press(one));
  }

  keyDown(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.keyboard.down(one));
  }

  keyUp(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.keyboard.up(one));
  }

  readonly click = (x: number, y: number): Promise<void> => this.answer(() => this.page.mouse.click(x, y));

  async pictures(
    boxes: readonly (Box | null)[],
    document: { width: number; height: number },
  ): Promise<(Picture | null)[]> {
    // A control may be larger than any picture; that costs the others nothing.
    const shown = boxes.map((box) => (box && this.fits(box) ? box : null));
    const one = boxes.length === 1 ? shown[0] : null;
    const clip = one ?? { x: 0, y: 0, ...document };
    // One box is cut by the browser; many are cut here out of one picture of the whole document, where one can be taken.
    if (this.fits(clip)) return this.cutOut(clip, shown);
    const pictures: (Picture | null)[] = [];
    for (const box of shown) pictures.push(box && ((await this.cutOut(box, [box]))[0] ?? null));
    return pictures;
  }

  private fits({ width, height }: { readonly width: number; readonly height: number }): boolean {
    return width * height * this.variant.zoom ** 2 <= mostPixels;
  }

  private async cutOut(clip: Box, boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
    if (boxes.every((box) => box === null)) return [...boxes] as null[];
    await this.painted();
    const png = await this.answer(() =>
      this.page.screenshot({ type: 'png', clip, captureBeyondViewport: true }),
    );
    return cropAll(
      png,
      boxes.map((box) => box && { ...box, x: box.x - clip.x, y: box.y - clip.y }),
      this.shelf,
      this.variant.zoom,
    );
  }

  protected painted(): Promise<unknown> {
    return this.evaluate(`new Promise(${afterPaint})`);
  }

  private async eachKey(key: string, command: (one: KeyInput) => Promise<void>): Promise<void> {
    for (const one of puppeteerKeys(key)) await this.answer(() => command(one));
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.engine, () => this.isThere(), command);
  }
}
