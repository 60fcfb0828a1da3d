import { setTimeout as wait } from 'node:timers/promises';
import { Capabilities, WebDriver, type WebElement } from 'selenium-webdriver';
import { Executor, HttpClient } from 'selenium-webdriver/http';
import { type Command, Name } from 'selenium-webdriver/lib/command';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import type { ChosenFile } from '@/core/standard/entry-list';
import type { Variant } from '@/core/target/variant';
import type { AccessibilityReading } from '@/probe/api/askable-page';
import { type Box, type ProbeApi, type ProbeField, probeHere } from '@/probe/api/probe-api';
import type { NoWindow } from '@/probe/api/window-on-display';
import type { AccessibilityBus } from '../accessibility/accessibility-bus';
import { commandTimeout, isPageLeft, loaded, orLost, startTimeout, withDeadline } from '../api/deadline';
import {
  EngineLost,
  type EnginePage,
  type EngineSession,
  forgetName,
  type PrepareDocument,
} from '../api/engine';
import type { Gate } from '../api/gate';
import { okWithin, promptCapability } from '../api/page-dialogs';
import { pageWidth, viewportOf } from '../api/viewport';
import { type Display, windowPlace } from '../display/display';
import { PageOnDisplay } from '../display/page-on-display';
import type { PopUpHabits } from '../display/pop-up-habits';
import { screensOf } from '../display/screens';
import { afterPaint } from '../picture/after-paint';
import { cropAll } from '../picture/crop';
import { filesToChoose } from '../process/files-to-choose';
import { protocolKeys } from './protocol-keys';

/** ms. */
const doubleClickTime = 500;

/** How often a page may give way to another before it counts as one that never rests. */
const mostLeavings = 5;

/** Where a W3C WebDriver endpoint is, and what is asked of it. */
export interface Endpoint {
  readonly title: string;
  readonly address: string;
  readonly capabilities: Record<string, unknown>;
  /** The display on which its window is, where that is at hand. */
  readonly display: Display | NoWindow;
  /** How what opens over its pages comes, where that is not as usual. */
  readonly popUps?: PopUpHabits;
  /** Where its browser tells assistive technology of its pages, when it does. */
  readonly bus?: AccessibilityBus | null;
  /** What stands between its pages and other addresses. */
  readonly gate?: Gate | null;
  /** Where files are put that are chosen in its fields; null where the endpoint would not find them. */
  readonly folder: string | null;
  /** True as long as the endpoint can still answer. */
  isThere(): boolean;
  /** Ends what was started for the session; nothing for an endpoint that is not ours. */
  end(): Promise<void>;
}

export const webDriverProtocol = 'W3C WebDriver';

/** A browser that is driven, and `2.50.4`, what it says of itself. */
export interface DrivenBrowser {
  readonly driver: WebDriver;
  readonly version: string;
}

/** Has a browser started over W3C WebDriver. Throws whatever the client throws; the caller ends the endpoint then. */
export async function openDriver(
  endpoint: Pick<Endpoint, 'title' | 'address' | 'capabilities'>,
): Promise<DrivenBrowser> {
  const capabilities = new Capabilities({
    ...promptCapability,
    // Dev servers sign their certificates themselves.
    acceptInsecureCerts: true,
    ...endpoint.capabilities,
  });
  const executor = new ExecutorWithDeadlines(new HttpClient(endpoint.address), endpoint.title);
  const driver = WebDriver.createSession(executor, capabilities);
  const told = await driver.getCapabilities();
  return { driver, version: /\d[\d.]*/.exec(String(told.get('browserVersion') ?? ''))?.[0] ?? 'unknown' };
}

/** Ends it: a session that is not deleted leaves its browser behind. */
export async function quitDriver(
  driver: WebDriver,
  { title, isThere, end }: Pick<Endpoint, 'title' | 'isThere' | 'end'>,
): Promise<void> {
  if (isThere()) await withDeadline(driver.quit(), 700, title).catch(() => undefined);
  await end();
}

/** Opens a session over W3C WebDriver. Throws as `openDriver` does. */
export async function openSession(endpoint: Endpoint): Promise<EngineSession> {
  const { driver, version } = await openDriver(endpoint);
  return new WebDriverSession(endpoint, driver, {
    mark: 'measured',
    engine: endpoint.title,
    version,
    protocol: webDriverProtocol,
    unable: [],
  });
}

/** Each command has its own deadline: many in a row may take long on a busy machine, one that takes long hangs. */
class ExecutorWithDeadlines extends Executor {
  constructor(
    client: HttpClient,
    private readonly engine: string,
  ) {
    super(client);
  }

  override execute(command: Command): Promise<unknown> {
    if (command.getName() === Name.GET) return loaded(this.engine, super.execute(command));
    const most = command.getName() === Name.NEW_SESSION ? startTimeout : commandTimeout;
    return withDeadline(super.execute(command), most, this.engine);
  }
}

class WebDriverSession implements EngineSession {
  /** Of the page that is open, CSS px. */
  private width = 0;

  constructor(
    private readonly endpoint: Endpoint,
    private readonly driver: WebDriver,
    readonly provenance: Measured,
  ) {}

  async open(
    address: string,
    probe: string,
    variant: Variant,
    prepare: PrepareDocument | null = null,
  ): Promise<EnginePage> {
    this.width = viewportOf(variant).width;
    const page = new WebDriverPage(this.endpoint, this.driver, address, probe, variant, prepare);
    await page.open();
    return page;
  }

  isThere(): boolean {
    return this.endpoint.isThere();
  }

  renew(): Promise<void> {
    return orLost(
      this.endpoint.title,
      () => this.isThere(),
      async () => {
        if ((await this.driver.executeScript(`return ${pageWidth}`)) !== this.width)
          throw new EngineLost({ code: 'ended', engine: this.endpoint.title });
        // Cookies are those of the page that is open.
        await this.driver.manage().deleteAllCookies();
        await this.driver.get('about:blank');
        await this.driver.executeScript(forgetName);
      },
    );
  }

  close(): Promise<void> {
    return quitDriver(this.driver, this.endpoint);
  }
}

class WebDriverPage extends PageOnDisplay implements EnginePage {
  private readonly viewport: { readonly width: number; readonly height: number };
  private lastClick = 0;

  constructor(
    private readonly endpoint: Endpoint,
    private readonly driver: WebDriver,
    private readonly address: string,
    private readonly code: string,
    variant: Variant,
    private readonly prepare: PrepareDocument | null,
  ) {
    super(endpoint.title, endpoint.display, variant, endpoint.bus ?? null, endpoint.popUps);
    this.viewport = viewportOf(variant);
  }

  protected run(script: string): Promise<unknown> {
    return this.driver.executeScript(script);
  }

  protected isThere(): boolean {
    return this.endpoint.isThere();
  }

  /** Loads it for the first time. */
  open(): Promise<void> {
    return this.unlessLedAway(async () => {
      await this.load();
      // Finding the window gives it the focus, without which no field shows that it has it.
      await this.window();
    });
  }

  reload(): Promise<void> {
    return this.orLost(async () => {
      await this.failWhereLedAway();
      await this.unlessLedAway(() => this.load());
    });
  }

  private async load(): Promise<void> {
    await this.driver.get(this.address);
    await this.onceItStays(async () => {
      await this.driver.executeScript(okWithin);
      await this.fitted();
    });
    await this.prepare?.((expression) => this.driver.executeScript(`return ${expression}`));
    // Steps may have led to another page.
    await this.driver.executeScript(`${okWithin}${this.code}`);
    await this.driver.executeScript(`${probeHere}.settle()`);
  }

  /** A page may lead to another one as soon as it has loaded, and that one once more. */
  private async onceItStays(work: () => Promise<void>): Promise<void> {
    for (let left = mostLeavings; ; left--) {
      try {
        return await work();
      } catch (error) {
        if (left === 0 || !isPageLeft(error)) throw error;
      }
    }
  }

  /** The proxy of the gate lets nothing out; what then fails in the page did so because the page was led away. */
  private unlessLedAway(work: () => Promise<void>): Promise<void> {
    return this.orLost(async () => {
      try {
        await work();
      } catch (error) {
        await this.failWhereLedAway();
        throw error;
      }
    });
  }

  /** Throws where the page must not be where it is; does nothing where it may, or where nobody can tell any more. */
  private async failWhereLedAway(): Promise<void> {
    const { gate } = this.endpoint;
    const address = gate && (await this.driver.getCurrentUrl().catch(() => null));
    const fault = address ? gate.fault(address) : null;
    if (fault) throw new EngineLost({ code: 'led away', fault }, { isSettled: true });
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const script = `return JSON.stringify({ value: ${probeHere}.${method}(...JSON.parse(arguments[0])) })`;
    return this.orLost(async () => {
      const told = await this.driver.executeScript<string>(script, JSON.stringify(parameters));
      return (JSON.parse(told) as { value: ReturnType<ProbeApi[Method]> }).value;
    });
  }

  override accessibility(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    return this.endpoint.bus === undefined
      ? this.orLost(() => this.computed(fields))
      : super.accessibility(fields);
  }

  /** An endpoint elsewhere tells two things of an element (WebDriver, "Get Computed Role" and "Get Computed Label"). */
  private async computed(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    const facts: (AccessibilityFacts | null)[] = [];
    for (const { ordinals } of fields) {
      const script = `return ${probeHere}.controlAt(${Number(ordinals[0])})`;
      const element = await this.driver.executeScript<WebElement | null>(script);
      facts.push(element && (await computedFacts(element)));
    }
    return { status: 'read', facts };
  }

  evaluate(expression: string): Promise<unknown> {
    return this.orLost(() => this.driver.executeScript(`return ${expression}`));
  }

  readonly click = (x: number, y: number): Promise<void> =>
    this.orLost(async () => {
      // Two clicks close to each other are a double click, which some controls take for one.
      await wait(Math.max(0, this.lastClick + doubleClickTime - Date.now()));
      await this.driver.actions().move({ x, y, duration: 0 }).click().perform();
      this.lastClick = Date.now();
    });

  get chooseFiles(): EnginePage['chooseFiles'] {
    const { folder } = this.endpoint;
    return folder === null ? null : (field, files) => this.orLost(() => this.chosen(folder, field, files));
  }

  private async chosen(
    folder: string,
    { ordinals }: ProbeField,
    files: readonly ChosenFile[],
  ): Promise<void> {
    const script = `return ${probeHere}.controlAt(${Number(ordinals[0])})`;
    const element = await this.driver.executeScript<WebElement | null>(script);
    // WebDriver, "Element Send Keys": a file field takes paths, each in a line of its own.
    await element?.sendKeys((await filesToChoose(folder, files)).join('\n'));
  }

  press(key: string): Promise<void> {
    return this.orLost(async () => {
      for (const one of protocolKeys(key)) await this.driver.actions().keyDown(one).keyUp(one).perform();
    });
  }

  keyDown(key: string): Promise<void> {
    return this.orLost(async () => {
      for (const one of protocolKeys(key)) await this.driver.actions().keyDown(one).perform();
    });
  }

  keyUp(key: string): Promise<void> {
    return this.orLost(async () => {
      for (const one of protocolKeys(key)) await this.driver.actions().keyUp(one).perform();
    });
  }

  /**
   * A screenshot shows the viewport, and what is out of sight may not be painted at all: boxes are brought into sight,
   * as many at a time as fit. One that is higher than the viewport has no picture.
   */
  pictures(boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
    return this.orLost(async () => {
      const pictures: (Picture | null)[] = boxes.map(() => null);
      for (const screen of screensOf(boxes, this.viewport.height)) {
        const top = await this.driver.executeScript<number>(
          'scrollTo(0, arguments[0]); return scrollY',
          screen.top,
        );
        const cut = await this.steadyPictures(screen.indices.map((index) => shift(boxes[index], top)));
        screen.indices.forEach((index, at) => {
          pictures[index] = cut[at] ?? null;
        });
      }
      return pictures;
    });
  }

  /** Pictures that two in a row agree on: painting goes on after the page believes itself painted. What never rests is as it was last. */
  private async steadyPictures(boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
    let shot = await this.shot();
    let pictures: (Picture | null)[] | null = null;
    for (let attempt = 0; attempt < 5; attempt++) {
      const next = await this.shot();
      if (next === shot) break;
      // Something moves; it may be none of what is asked for.
      const before: (Picture | null)[] = pictures ?? (await this.cut(shot, boxes));
      pictures = await this.cut(next, boxes);
      shot = next;
      if (pictures.every((picture, index) => picture?.id === before[index]?.id)) break;
    }
    return pictures ?? this.cut(shot, boxes);
  }

  private async shot(): Promise<string> {
    await this.painted();
    return this.driver.takeScreenshot();
  }

  protected async painted(): Promise<void> {
    await this.driver.executeAsyncScript(`(${afterPaint})(arguments[arguments.length - 1])`);
  }

  private cut(shot: string, boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
    return cropAll(Buffer.from(shot, 'base64'), boxes, this.shelf, this.variant.zoom);
  }

  /** Makes the viewport as large as every page under test has it. */
  private async fitted(): Promise<void> {
    const wanted = this.viewport;
    const [width, height] = await this.viewportNow();
    if (width === wanted.width && height === wanted.height) return;
    const { zoom } = this.variant;
    const rect = await this.driver.manage().window().getRect();
    await this.driver
      .manage()
      .window()
      .setRect({
        x: windowPlace.x / zoom,
        y: windowPlace.y / zoom,
        width: rect.width + wanted.width - width,
        height: rect.height + wanted.height - height,
      });
    for (let attempt = 0; attempt < 40; attempt++) {
      const [nowWidth, nowHeight] = await this.viewportNow();
      if (nowWidth === wanted.width && nowHeight === wanted.height) return;
      await wait(25);
    }
  }

  private async viewportNow(): Promise<readonly [number, number]> {
    for (let attempt = 0; attempt < 5; attempt++) {
      const told = await this.driver.executeScript<[number, number] | null>(
        'return [innerWidth, innerHeight]',
      );
      // A dialog that the page opens meanwhile ends a script without a value.
      if (told) return told;
    }
    throw new Error('dialogs of the page keep scripts from running');
  }
}

async function computedFacts(element: WebElement): Promise<AccessibilityFacts | null> {
  const [role, name] = [await element.getAriaRole(), await element.getAccessibleName()];
  // Of what is hidden an endpoint says that it is nothing.
  if (role === 'none' && name === '') return null;
  return { role: role || null, name, description: null, value: null, required: null, invalid: null };
}

function shift(box: Box | null | undefined, top: number): Box | null {
  return box ? { ...box, y: box.y - top } : null;
}
