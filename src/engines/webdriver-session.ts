import { setTimeout as wait } from 'node:timers/promises';
import { Capabilities, WebDriver } from 'selenium-webdriver';
import { Executor, HttpClient } from 'selenium-webdriver/http';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { isNamedKey, type NamedKey } from '@/core/script/stroke';
import { type Box, type ProbeApi, probeGlobal } from '@/probe/probe-api';
import { cropAll } from './crop';
import { answer, withDeadline } from './deadline';
import { type EnginePage, type EngineSession, viewport } from './engine';
import { screensOf } from './screens';

/** WebDriver, "Keyboard actions": the code points that stand for keys without a character. */
const keyCodePoints: Readonly<Record<NamedKey, string>> = {
  Backspace: '\uE003',
  Tab: '\uE004',
  Escape: '\uE00C',
  End: '\uE010',
  Home: '\uE011',
  ArrowLeft: '\uE012',
  ArrowRight: '\uE014',
  Delete: '\uE017',
};

/** Where a W3C WebDriver endpoint is, and what is asked of it. */
export interface Endpoint {
  readonly title: string;
  readonly address: string;
  readonly capabilities: Record<string, unknown>;
  /** True as long as the endpoint can still answer. */
  isThere(): boolean;
  /** Ends what was started for the session; nothing for an endpoint that is not ours. */
  end(): Promise<void>;
}

/** Opens a session over W3C WebDriver. Throws whatever the client throws; the caller ends the endpoint then. */
export async function openSession(endpoint: Endpoint): Promise<EngineSession> {
  const capabilities = new Capabilities(endpoint.capabilities);
  const executor = new Executor(new HttpClient(endpoint.address));
  const driver = WebDriver.createSession(executor, capabilities);
  const told = await withDeadline(driver.getCapabilities(), 30_000, endpoint.title);
  const version = /\d[\d.]*/.exec(String(told.get('browserVersion') ?? ''))?.[0] ?? 'unknown';
  return new WebDriverSession(endpoint, driver, {
    mark: 'measured',
    engine: endpoint.title,
    version,
    protocol: 'W3C WebDriver',
  });
}

class WebDriverSession implements EngineSession {
  constructor(
    private readonly endpoint: Endpoint,
    private readonly driver: WebDriver,
    readonly provenance: Measured,
  ) {}

  async open(address: string, probe: string): Promise<EnginePage> {
    const page = new WebDriverPage(this.endpoint, this.driver, address, probe);
    await page.reload();
    return page;
  }

  async close(): Promise<void> {
    // A session that is not deleted leaves its browser behind.
    if (this.endpoint.isThere())
      await withDeadline(this.driver.quit(), 700, this.endpoint.title).catch(() => undefined);
    await this.endpoint.end();
  }
}

class WebDriverPage implements EnginePage {
  readonly drawsFocus = true;

  constructor(
    private readonly endpoint: Endpoint,
    private readonly driver: WebDriver,
    private readonly address: string,
    private readonly code: string,
  ) {}

  reload(): Promise<void> {
    return this.answer(async () => {
      await this.driver.get(this.address);
      await this.fit();
      await this.driver.executeScript(this.code);
      await this.driver.executeScript(`window.${probeGlobal}.settle()`);
    });
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const script = `return JSON.stringify({ value: window.${probeGlobal}.${method}(...JSON.parse(arguments[0])) })`;
    return this.answer(async () => {
      const told = await this.driver.executeScript<string>(script, JSON.stringify(parameters));
      return (JSON.parse(told) as { value: ReturnType<ProbeApi[Method]> }).value;
    });
  }

  press(key: string): Promise<void> {
    return this.answer(async () => {
      // One code point a key; a grapheme of several is several keys, as on a keyboard that has them.
      const keys = isNamedKey(key) ? [keyCodePoints[key]] : [...key];
      for (const one of keys) await this.driver.actions().keyDown(one).keyUp(one).perform();
    });
  }

  /**
   * A screenshot shows the viewport, and what is out of sight may not be painted at all: boxes are brought into sight,
   * as many at a time as fit. One that is higher than the viewport has no picture.
   */
  pictures(boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
    return this.answer(async () => {
      const pictures: (Picture | null)[] = boxes.map(() => null);
      for (const screen of screensOf(boxes, viewport.height)) {
        const top = await this.driver.executeScript<number>(
          'scrollTo(0, arguments[0]); return scrollY',
          screen.top,
        );
        const shot = Buffer.from(await this.steadyScreenshot(), 'base64');
        const shown = screen.indices.map((index) => ({ index, box: shift(boxes[index], top) }));
        const cut = await cropAll(
          shot,
          shown.map(({ box }) => box),
        );
        shown.forEach(({ index }, at) => {
          pictures[index] = cut[at] ?? null;
        });
      }
      return pictures;
    });
  }

  /** A screenshot that two in a row agree on: painting goes on after the page believes itself painted. */
  private async steadyScreenshot(): Promise<string> {
    await this.painted();
    let shot = await this.driver.takeScreenshot();
    for (let attempt = 0; attempt < 8; attempt++) {
      await this.painted();
      const next = await this.driver.takeScreenshot();
      if (next === shot) break;
      shot = next;
    }
    return shot;
  }

  /** Waits until what was changed last is on the screen: two frames, or a while where frames do not come. */
  private painted(): Promise<void> {
    return this.driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1];
      const late = setTimeout(() => done(), 400);
      requestAnimationFrame(() => requestAnimationFrame(() => { clearTimeout(late); done(); }));
    `);
  }

  /** Makes the viewport as large as every page under test has it. */
  private async fit(): Promise<void> {
    const [width, height] = await this.viewportNow();
    if (width === viewport.width && height === viewport.height) return;
    const rect = await this.driver.manage().window().getRect();
    await this.driver
      .manage()
      .window()
      .setRect({
        x: 0,
        y: 0,
        width: rect.width + viewport.width - width,
        height: rect.height + viewport.height - height,
      });
    for (let attempt = 0; attempt < 40; attempt++) {
      const [nowWidth, nowHeight] = await this.viewportNow();
      if (nowWidth === viewport.width && nowHeight === viewport.height) return;
      await wait(25);
    }
  }

  private viewportNow(): Promise<[number, number]> {
    return this.driver.executeScript<[number, number]>('return [innerWidth, innerHeight]');
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.endpoint.title, () => this.endpoint.isThere(), command);
  }
}

function shift(box: Box | null | undefined, top: number): Box | null {
  return box ? { ...box, y: box.y - top } : null;
}
