import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import puppeteer, { type Browser, type KeyInput, type Page } from 'puppeteer-core';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { isNamedKey } from '@/core/script/stroke';
import type { Variant } from '@/core/target/variant';
import { type Box, type ProbeApi, probeGlobal } from '@/probe/probe-api';
import type { NoWindow, WindowOnDisplay } from '@/probe/window-on-display';
import { changeBetweenPictures, cropAll } from './crop';
import { answer, arrival, firstLine, orLost, startTimeout, withDeadline } from './deadline';
import { type Display, findDisplayPrograms, startDisplay } from './display';
import { type Arrive, type Engine, EngineLost, type EnginePage, type EngineSession } from './engine';
import { findProgram, programVersion } from './find-program';
import type { Gate } from './gate';
import { endKept, type Keeping, keeping } from './kept';
import { answerDialogs } from './page-dialogs';
import { PageWindow } from './page-window';
import { whenPainted } from './painted';
import { PictureShelf } from './picture-shelf';
import { type LedAway, standAt } from './stand-at-gate';
import { slowest, stopwatch } from './stopwatch';
import type { ThroughProxy } from './through-proxy';
import { viewportOf } from './viewport';

/** What one engine that speaks WebDriver BiDi needs, as data. */
export interface BidiEngine {
  readonly name: string;
  readonly title: string;
  readonly browser: 'chrome' | 'firefox';
  /** The environment variable that names another program than those on the path. */
  readonly variable: string;
  readonly programs: readonly string[];
  readonly debianPackage: string;
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

const protocol = 'WebDriver BiDi';

/** Pixels of the largest picture that is taken: browsers take none of what is much larger. */
const mostPixels = 100_000_000;

/** How every browser is launched over this protocol. */
export const launchOptions = {
  protocol: 'webDriverBiDi',
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

/** An engine over WebDriver BiDi. */
export function bidiEngine(data: BidiEngine): Engine {
  return {
    name: data.name,
    title: data.title,
    protocol,
    pagesFrom: null,
    wordsPackages: data.wordsPackages,
    async find() {
      const path = await findProgram(data.variable, data.programs);
      if (path) return { status: 'found', path, version: await programVersion(path) };
      const remedy = `${data.title} is not on this machine. Install it with “apt-get install ${data.debianPackage}”, or set ${data.variable} to its path.`;
      return { status: 'missing', remedy };
    },
    launch: (path, variant, signal, gate = null) => launch(data, path, variant, gate, signal),
  };
}

/** With a window on a display where there can be one; else without any, and what opens over a page stays unseen. */
async function launch(
  data: BidiEngine,
  path: string,
  variant: Variant,
  gate: Gate | null,
  signal?: AbortSignal,
): Promise<EngineSession> {
  const programs = await findDisplayPrograms();
  let display: Display | null = null;
  let kept: Keeping | null = null;
  try {
    const shown = 'status' in programs ? programs : await startDisplay(programs);
    if (!('status' in shown)) display = shown;
    kept = await keeping(path, { ...data.env(variant), ...(display && { DISPLAY: display.name }) });
    const profile = join(kept.folder, 'profile');
    if (data.startsTwice(variant)) await startOnce(data, path, profile, variant, signal);
    const browser = await start(data, kept, profile, variant, display === null, gate, signal);
    const version = /\d[\d.]*/.exec(await browser.version())?.[0] ?? 'unknown';
    const provenance: Measured = { mark: 'measured', engine: data.title, version, protocol, unable: [] };
    return new BidiSession(browser, kept, shown, provenance, gate, data.browser);
  } catch (error) {
    if (kept) await endKept(null, kept);
    await display?.close();
    throw new EngineLost(`${data.title} did not start: ${firstLine(error)}`);
  }
}

/** Starts and ends the browser, so that its profile knows what a first start finds out. */
async function startOnce(
  data: BidiEngine,
  path: string,
  profile: string,
  variant: Variant,
  signal?: AbortSignal,
): Promise<void> {
  // A keeper of its own: the folder of the one that counts, with the profile in it, has to stay.
  const kept = await keeping(path, data.env(variant));
  try {
    const browser = await start(data, kept, profile, variant, true, null, signal);
    await browser.close();
  } finally {
    await endKept(null, kept);
  }
}

async function start(
  data: BidiEngine,
  kept: Keeping,
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
    signal: starting.signal,
    browser: data.browser,
    executablePath: kept.path,
    userDataDir: profile,
    headless,
    args: [...data.parameters(variant), ...(proxied?.parameters ?? [])],
    ignoreDefaultArgs: [...data.without],
    extraPrefsFirefox: { ...data.preferences(variant), ...proxied?.preferences },
    env: kept.env,
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

class BidiSession implements EngineSession {
  constructor(
    private readonly browser: Browser,
    private readonly kept: Keeping,
    private readonly display: Display | NoWindow,
    readonly provenance: Measured,
    private readonly gate: Gate | null,
    private readonly kind: BidiEngine['browser'],
  ) {}

  async open(
    address: string,
    probe: string,
    variant: Variant,
    arrive: Arrive | null = null,
  ): Promise<EnginePage> {
    const { browser, display } = this;
    const page = await answer(
      this.provenance.engine,
      () => browser.connected,
      // The window that is there: another one would not be the active one at once.
      async () => (await browser.pages())[0] ?? (await browser.newPage()),
    );
    answerDialogs(page);
    const led = this.gate && (await standAt(this.gate, page, this.kind));
    const opened = new BidiPage(
      browser,
      this.provenance.engine,
      page,
      display,
      address,
      probe,
      variant,
      arrive,
      led,
    );
    await opened.reload();
    // Finding the window gives it the focus, without which no field shows that it has it.
    await opened.window();
    return opened;
  }

  async close(): Promise<void> {
    await endKept(this.browser.process(), this.kept);
    if (!('status' in this.display)) await this.display.close();
  }
}

class BidiPage implements EnginePage {
  readonly drawsFocus = true;
  readonly stopwatch = () => stopwatch();
  readonly changeBetween = changeBetweenPictures;
  private readonly shelf = new PictureShelf();
  private readonly placed: PageWindow;

  constructor(
    private readonly browser: Browser,
    private readonly engine: string,
    private readonly page: Page,
    private readonly display: Display | NoWindow,
    private readonly address: string,
    private readonly code: string,
    private readonly variant: Variant,
    private readonly arrive: Arrive | null,
    private readonly led: LedAway | null,
  ) {
    this.placed = new PageWindow(
      engine,
      display,
      this.shelf,
      variant,
      (script) => this.evaluate(script),
      () => this.painted(),
    );
  }

  async reload(): Promise<void> {
    const viewport = { ...viewportOf(this.variant), deviceScaleFactor: this.variant.zoom };
    await this.answer(() => this.page.setViewport(viewport));
    const arrive = () => this.arriveThere();
    await (this.led ? this.led.unless(arrive) : arrive());
    await this.evaluate(this.code);
    await this.evaluate(`window.${probeGlobal}.settle()`);
  }

  private async arriveThere(): Promise<void> {
    await arrival(
      this.engine,
      () => this.browser.connected,
      () => this.page.goto(this.address, { waitUntil: 'load', timeout: 0 }),
    );
    await this.arrive?.((expression) => this.evaluate(expression));
  }

  evaluate(expression: string): Promise<unknown> {
    return this.answer(() => this.page.evaluate(expression));
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const call = `(() => window.${probeGlobal}.${method}(...${JSON.stringify(parameters)}))()`;
    return this.answer(async () => (await this.page.evaluate(call)) as ReturnType<ProbeApi[Method]>);
  }

  press(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.page.keyboard.press(one));
  }

  keyDown(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.page.keyboard.down(one));
  }

  readonly hasKeyboard = true;

  toClipboard(text: string): Promise<string | null> {
    return this.answer(async () =>
      'status' in this.display ? this.display.reason : this.display.toClipboard(text),
    );
  }

  keyUp(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.page.keyboard.up(one));
  }

  readonly click = (x: number, y: number): Promise<void> => this.answer(() => this.page.mouse.click(x, y));

  window(): Promise<WindowOnDisplay | NoWindow> {
    return orLost(
      this.engine,
      () => this.browser.connected,
      () => this.placed.locate(),
    );
  }

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

  private painted(): Promise<unknown> {
    return this.evaluate(`new Promise(${whenPainted})`);
  }

  private async eachKey(key: string, command: (one: KeyInput) => Promise<void>): Promise<void> {
    for (const one of puppeteerKeys(key)) await this.answer(() => command(one));
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.engine, () => this.browser.connected, command);
  }
}
