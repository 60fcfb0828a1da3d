import type { Browser, ElementHandle, KeyInput } from 'puppeteer-core';
import type { Picture } from '@/core/observation/picture';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import { isNamedKey } from '@/core/script/stroke';
import type { ChosenFile } from '@/core/standard/entry-list';
import type { Variant } from '@/core/target/variant';
import type { AccessibilityReading } from '@/probe/api/askable-page';
import { type Box, type ProbeApi, type ProbeField, probeHere } from '@/probe/api/probe-api';
import type { NoWindow } from '@/probe/api/window-on-display';
import type { AccessibilityBus } from '../accessibility/accessibility-bus';
import { DevtoolsTree } from '../accessibility/devtools-tree';
import { answer, navigated } from '../api/deadline';
import type { EnginePage, PrepareDocument } from '../api/engine';
import { viewportOf } from '../api/viewport';
import type { Display } from '../display/display';
import { PageOnDisplay } from '../display/page-on-display';
import { afterPaint } from '../picture/after-paint';
import { cropAll } from '../picture/crop';
import { filesToChoose } from '../process/files-to-choose';
import type { QuietPage } from './launch-browser';
import type { PageKeyboard } from './puppeteer-engine';

/** Pixels of the largest picture that is taken: browsers take none of what is much larger. */
const mostPixels = 100_000_000;

const fieldsAtOnce = 100;

const onceItIsPainted = `new Promise(${afterPaint})`;

/** A JavaScript function: whether a box of the document, CSS px, lies in the window. */
const liesInSight = `(box) => {
  const { pageLeft: left, pageTop: top, width, height } = visualViewport;
  return box.x >= left && box.y >= top && box.x + box.width <= left + width && box.y + box.height <= top + height;
}`;

/** A page, the browser that shows it, and what is done in it each time it is loaded. */
interface Opened extends QuietPage {
  /** The engine's title. */
  readonly engine: string;
  readonly display: Display | NoWindow;
  readonly bus: AccessibilityBus | null;
  readonly variant: Variant;
  readonly browser: Browser;
  readonly address: string;
  /** The code of the probe. */
  readonly probe: string;
  readonly prepare: PrepareDocument | null;
  readonly keyboard: PageKeyboard;
  /** Whether its own protocol tells what assistive technology is told. */
  readonly tellsAccessibility: boolean;
  /** Where files are put that are chosen in its fields. */
  readonly folder: string;
}

export class PuppeteerPage extends PageOnDisplay implements EnginePage {
  constructor(private readonly opened: Opened) {
    super(opened.engine, opened.display, opened.variant, opened.bus);
  }

  protected run(script: string): Promise<unknown> {
    return this.evaluate(script);
  }

  protected isThere(): boolean {
    return this.opened.browser.connected;
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
    return this.unlessLedAway(() => this.load());
  }

  private unlessLedAway(work: () => Promise<void>): Promise<void> {
    const { led } = this.opened;
    return led ? led.unless(work) : work();
  }

  private async load(): Promise<void> {
    const viewport = { ...viewportOf(this.variant), deviceScaleFactor: this.variant.zoom };
    await this.answer(() => this.opened.page.setViewport(viewport));
    await navigated(
      this.engine,
      () => this.opened.browser.connected,
      () => this.opened.page.goto(this.opened.address, { waitUntil: 'load', timeout: 0 }),
    );
    await this.opened.prepare?.((expression) => this.evaluate(expression));
    await this.evaluate(this.opened.probe);
    await this.evaluate(`${probeHere}.settle()`);
  }

  evaluate(expression: string): Promise<unknown> {
    return this.answer(() => this.opened.page.evaluate(expression));
  }

  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>> {
    const call = `(() => ${probeHere}.${method}(...${JSON.stringify(parameters)}))()`;
    return this.answer(async () => (await this.opened.page.evaluate(call)) as ReturnType<ProbeApi[Method]>);
  }

  override accessibility(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    return this.opened.tellsAccessibility ? this.overItsProtocol(fields) : super.accessibility(fields);
  }

  /** So many fields in one command: each of them takes a few ms, and a command has a deadline. */
  private async overItsProtocol(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    const tree = await this.answer(async () => DevtoolsTree.read(await this.opened.page.createCDPSession()));
    const facts: (AccessibilityFacts | null)[] = [];
    for (let at = 0; at < fields.length; at += fieldsAtOnce)
      facts.push(...(await this.answer(() => tree.factsOf(fields.slice(at, at + fieldsAtOnce)))));
    await this.answer(() => tree.close());
    return { status: 'read', facts };
  }

  press(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.opened.keyboard.press(one));
  }

  keyDown(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.opened.keyboard.down(one));
  }

  keyUp(key: string): Promise<void> {
    return this.eachKey(key, (one) => this.opened.keyboard.up(one));
  }

  readonly click = (x: number, y: number): Promise<void> =>
    this.answer(() => this.opened.page.mouse.click(x, y));

  readonly chooseFiles = async ({ ordinals }: ProbeField, files: readonly ChosenFile[]): Promise<void> => {
    const paths = await filesToChoose(this.opened.folder, files);
    await this.answer(async () => {
      const handle = await this.opened.page.evaluateHandle(`${probeHere}.controlAt(${Number(ordinals[0])})`);
      await (handle.asElement() as ElementHandle<HTMLInputElement> | null)?.uploadFile(...paths);
      await handle.dispose();
    });
  };

  async pictures(boxes: readonly (Box | null)[], document: Box): Promise<(Picture | null)[]> {
    // A control may be larger than any picture; that costs the others nothing.
    const shown = boxes.map((box) => (box && this.fits(box) ? box : null));
    const [one, another] = shown.filter((box) => box !== null);
    const clip = one && !another ? one : document;
    // One box is cut by the browser; many are cut here out of one picture of the whole document, where one can be taken.
    if (this.fits(clip)) return this.cutOut(clip, shown, document);
    const pictures: (Picture | null)[] = [];
    for (const box of shown) pictures.push(box && ((await this.cutOut(box, [box], document))[0] ?? null));
    return pictures;
  }

  private fits({ width, height }: { readonly width: number; readonly height: number }): boolean {
    return width * height * this.variant.zoom ** 2 <= mostPixels;
  }

  private async cutOut(
    clip: Box,
    boxes: readonly (Box | null)[],
    document: Box,
  ): Promise<(Picture | null)[]> {
    if (boxes.every((box) => box === null)) return [...boxes] as null[];
    // Beyond what is in sight a browser lays the page out anew, and tells it so.
    const isInSight = await this.evaluate(
      `${onceItIsPainted}.then(() => (${liesInSight})(${JSON.stringify(clip)}))`,
    );
    const png = await this.answer(() =>
      this.opened.page.screenshot({
        type: 'png',
        clip: isInSight ? clip : { ...clip, x: clip.x - document.x, y: clip.y - document.y },
        captureBeyondViewport: isInSight !== true,
      }),
    );
    return cropAll(
      png,
      boxes.map((box) => box && { ...box, x: box.x - clip.x, y: box.y - clip.y }),
      this.shelf,
      this.variant.zoom,
    );
  }

  protected painted(): Promise<unknown> {
    return this.evaluate(onceItIsPainted);
  }

  private async eachKey(key: string, command: (one: KeyInput) => Promise<void>): Promise<void> {
    for (const one of puppeteerKeys(key)) await this.answer(() => command(one));
  }

  private answer<T>(command: () => Promise<T>): Promise<T> {
    return answer(this.engine, () => this.isThere(), command);
  }
}

/** The protocol takes one code point a key; a grapheme of several is several keys, as on a keyboard that has them. */
function puppeteerKeys(key: string): KeyInput[] {
  return (isNamedKey(key) ? [key] : [...key]) as KeyInput[];
}
