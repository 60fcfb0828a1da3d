import { Capabilities, WebDriver } from 'selenium-webdriver';
import { Executor, HttpClient } from 'selenium-webdriver/http';
import type { Picture } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { isNamedKey, type NamedKey } from '@/core/script/stroke';
import { type Box, type ProbeApi, probeGlobal } from '@/probe/probe-api';
import { cropAll } from './crop';
import { answer, withDeadline } from './deadline';
import { type EnginePage, type EngineSession, viewport } from './engine';

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
      await this.fit(viewport.height);
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

  pictures(
    boxes: readonly (Box | null)[],
    document: { width: number; height: number },
  ): Promise<(Picture | null)[]> {
    return this.answer(async () => {
      await this.fit(document.height);
      return cropAll(Buffer.from(await this.driver.takeScreenshot(), 'base64'), boxes);
    });
  }

  /** A screenshot shows the viewport: makes it as wide as every page under test, and at least so high. */
  private async fit(height: number): Promise<void> {
    const size = await this.driver.executeScript<[number, number]>('return [innerWidth, innerHeight]');
    const [width, high] = size;
    if (width === viewport.width && high >= height) return;
    const rect = await this.driver.manage().window().getRect();
    await this.driver
      .manage()
      .window()
      .setRect({
        x: 0,
        y: 0,
        width: rect.width + viewport.width - width,
        height: rect.height + Math.max(height, viewport.height) - high,
      });
  }

  async close(): Promise<void> {
    // The page goes with its session.
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.endpoint.title, () => this.endpoint.isThere(), command);
  }
}
