import { setTimeout as wait } from 'node:timers/promises';
import { type Field, isTypedText } from '@/core/html/field';
import type { Picture } from '@/core/observation/picture';
import type { KeyboardFacts } from '@/core/questions/keyboard/facts';
import { probeGlobal } from '@/probe/api/probe-api';
import { EngineLost } from '../api/engine';
import { ownDocument } from '../api/own-document';
import { phoneSize } from '../api/phone-size';
import { stopwatch } from '../api/stopwatch';
import { findMark } from '../picture/display-change';
import type { PictureShelf } from '../picture/picture-shelf';
import { cut, decoded, type Raster } from '../picture/raster';
import type { PhoneBrowser } from './phone-browser';
import type { PhoneScreen } from './phone-screen';

/** How long a keyboard may take to come up or to go, ms. */
const patience = 2000;
/** How long the page's height has to stay the same, ms. */
const rest = 180;

/** What came of tapping one field. */
export interface Tapped {
  readonly facts: KeyboardFacts;
  readonly picture: Picture;
}

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** A page that shows on the display: in which browser, and where. */
export interface ShownPage {
  readonly browser: PhoneBrowser;
  /** Of the viewport on the display, px. */
  readonly corner: Corner;
  /** Height of the viewport while no keyboard is up, CSS px. */
  readonly full: number;
}

/**
 * Opens a page in a browser that is starting, and finds it on the display. Ends the browser where that fails.
 * @param arrive what is done in the page before its form is there and the probe with it
 */
export async function shownAt(
  starting: Promise<PhoneBrowser>,
  address: string,
  screen: PhoneScreen,
  arrive: (browser: PhoneBrowser) => Promise<void>,
): Promise<ShownPage> {
  const browser = await starting;
  try {
    await browser.open(address);
    const corner = await viewportOn(screen, browser);
    await arrive(browser);
    return { browser, corner, full: await untouchedHeight(browser) };
  } catch (error) {
    await browser.close();
    throw error;
  }
}

const mark = { outer: 253, green: 1 } as const;

/**
 * Where the viewport is on the display: the page shows a mark, and the display is searched for it. The mark is a field and
 * takes the first tap: browsers start with their address bar focused, and Firefox asks for plain text whatever is focused
 * first.
 */
async function viewportOn(screen: PhoneScreen, browser: PhoneBrowser): Promise<Corner> {
  await browser.evaluate(
    `(() => { const mark = ${ownDocument}.createElement('input'); mark.id = 'ukko-mark'; mark.style.cssText = 'all:initial;position:fixed;left:0;top:0;width:24px;height:24px;z-index:2147483647;caret-color:transparent;background:rgb(${mark.outer},${mark.green},${mark.outer})'; ${ownDocument}.documentElement.append(mark); return true; })()`,
  );
  for (let attempt = 0; attempt < 60; attempt++) {
    const found = findMark(await photographed(screen), mark.outer, mark.green);
    if (found) {
      const before = await height(browser);
      await screen.tap(found.x + 12, found.y + 12);
      await heightIs(browser, (now) => now < before);
      await browser.evaluate(blur);
      await heightIs(browser, (now) => now === before);
      await browser.evaluate(
        `(() => { ${ownDocument}.getElementById('ukko-mark').remove(); return true; })()`,
      );
      return found;
    }
    await wait(80);
  }
  throw new EngineLost({ code: 'phone display empty' });
}

async function photographed(screen: PhoneScreen): Promise<Raster> {
  return decoded(await screen.picture());
}

/** A host of a shadow root does not hand it on in every engine. */
const blur = `(() => { let active = ${ownDocument}.activeElement; while (active?.shadowRoot?.activeElement) active = active.shadowRoot.activeElement; active?.blur(); return true; })()`;

/** An expression for the first control of a field. */
const control = ({ controls: [{ ordinal }] }: Field) => `window.${probeGlobal}.controlAt(${ordinal})`;

/** Taps a field and some keys of the keyboard that comes up, and says what came of it. Throws `EngineLost` when none of the taps reaches it. */
export async function tapField(
  field: Field,
  screen: PhoneScreen,
  { browser, corner, full }: ShownPage,
  shelf: PictureShelf,
): Promise<Tapped> {
  // A keyboard goes a moment after the focus does.
  await browser.evaluate(blur);
  await heightIs(browser, (now) => now === full);
  const before = await restingHeight(browser);
  screen.keyboard.forget();
  await tapControl(field, control(field), screen, browser, corner);
  const height = { before, with: await restingHeight(browser) };
  const isUp = height.with < height.before;
  const { asked, layout } = screen.keyboard;
  const fieldInSight = (await browser.evaluate(
    `(() => { const { top, bottom } = ${control(field)}.getBoundingClientRect(); return top >= 0 && bottom <= innerHeight; })()`,
  )) as boolean;
  const picture = await shelf.take(cut(await photographed(screen), { x: 0, y: 0, ...phoneSize }));
  const tapped = isUp ? await tapKeys(control(field), screen, browser, corner.y + height.with) : null;
  return {
    facts: {
      program: screen.program.name,
      asked,
      layout: isUp ? layout : null,
      height,
      fieldInSight,
      tapped,
      picture: picture.id,
    },
    picture,
  };
}

/** How often a control is tapped before something is said to keep taps from it: on a busy display one may come to nothing. */
const taps = 3;

/** Taps a control until it took the tap, and waits for what comes up. Throws `EngineLost` when none of the taps reaches it. */
async function tapControl(
  field: Field,
  control: string,
  screen: PhoneScreen,
  browser: PhoneBrowser,
  corner: Corner,
): Promise<void> {
  for (let tap = 1; tap <= taps; tap++) {
    const before = await height(browser);
    const place = (await browser.evaluate(
      `(() => { const t = ${control}; window.reached = false; addEventListener('pointerdown', (event) => { window.reached ||= event.composedPath().includes(t); }, { capture: true, once: true }); t.scrollIntoView({ block: 'center' }); const { left, top, height } = t.getBoundingClientRect(); return { x: left + 12, y: top + height / 2 }; })()`,
    )) as Corner;
    await screen.tap(corner.x + place.x, corner.y + place.y);
    await heightIs(browser, (now) => now !== before);
    // A script of the page may keep the focus away from what was tapped, and no engine tells of a tap on what is disabled.
    const isMissed = await browser.evaluate(
      `(() => { const t = ${control}; const { left, top, height } = t.getBoundingClientRect(); const root = t.getRootNode(); return !window.reached && root.activeElement !== t && !t.matches(':disabled') && root.elementFromPoint(left + 12, top + height / 2) === t; })()`,
    );
    if (!isTypedText(field.kind) || !isMissed) return;
  }
  throw new EngineLost({ code: 'covered', field: field.label, taps });
}

/** How long a key may take to be heard, how long nothing more may come after it, and how long a layer takes to change, ms. */
const tapTimes = { heard: 1000, quiet: 100, layer: 200 } as const;

async function tapKeys(
  control: string,
  screen: PhoneScreen,
  browser: PhoneBrowser,
  top: number,
): Promise<KeyboardFacts['tapped']> {
  await browser.evaluate(
    `(() => { window.heard = []; window.tapping = ''; const t = ${control}; for (const type of ['keydown', 'keypress', 'beforeinput', 'input', 'compositionstart', 'compositionupdate', 'compositionend', 'keyup']) t.addEventListener(type, (event) => heard.push({ by: tapping, type, key: event.key ?? null, inputType: event.inputType ?? null, data: event.data ?? null, value: t.value })); return true; })()`,
  );
  const heardSoFar = () => browser.evaluate(`window.heard.length`) as Promise<number>;
  for (const { key, x, down } of screen.program.keysToTap(screen.keyboard.layout)) {
    if (key !== null)
      await browser.evaluate(`(() => { window.tapping = ${JSON.stringify(key)}; return true; })()`);
    const before = await heardSoFar();
    await screen.tap(x, top + (phoneSize.height - top) * down);
    if (key === null) {
      await wait(tapTimes.layer);
      continue;
    }
    // The first event comes when the engine gets to it, the others right behind it.
    const elapsed = stopwatch();
    let last = before;
    for (let since = 0; elapsed() < tapTimes.heard; await wait(25)) {
      const now = await heardSoFar();
      if (now !== last) since = elapsed();
      last = now;
      if (last > before && elapsed() - since >= tapTimes.quiet) break;
    }
  }
  return (await browser.evaluate(`window.heard`)) as KeyboardFacts['tapped'];
}

function height(browser: PhoneBrowser): Promise<number> {
  return browser.evaluate('innerHeight') as Promise<number>;
}

/** Waits until the page's height is so, or for as long as a keyboard may take. */
async function heightIs(browser: PhoneBrowser, isSo: (height: number) => boolean): Promise<void> {
  for (const elapsed = stopwatch(); elapsed() < patience; await wait(40))
    if (isSo(await height(browser))) return;
}

/** The page's height without a keyboard. */
async function untouchedHeight(browser: PhoneBrowser): Promise<number> {
  await browser.evaluate(blur);
  await wait(patience);
  return restingHeight(browser);
}

/** The page's height once it has rested. */
async function restingHeight(browser: PhoneBrowser): Promise<number> {
  let last = await height(browser);
  const elapsed = stopwatch();
  for (let since = 0; elapsed() - since < rest; await wait(30)) {
    const now = await height(browser);
    if (now !== last) since = elapsed();
    last = now;
  }
  return last;
}
