import { setTimeout as wait } from 'node:timers/promises';
import type { OwnPage } from '@/core/document/own-page';
import { controlSelector, type Field, isTypedText } from '@/core/html/field';
import { pageUnderTest } from '@/core/html/page-under-test';
import { readForm } from '@/core/html/read-form';
import type { KeyboardAnswer, KeyboardQuestion, PhoneEngine } from '@/core/keyboard/keyboard-question';
import type { Picture } from '@/core/observation/picture';
import type { KeyboardFacts } from '@/core/questions/keyboard/facts';
import { type TargetId, targetId } from '@/core/target/target';
import { probeGlobal } from '@/probe/api/probe-api';
import { probeBundle } from '@/probe/bundle';
import { EngineLost } from './api/engine';
import { onceMore } from './api/once-more';
import { ownDocument } from './api/own-document';
import { phoneSize } from './api/phone-size';
import { stopwatch } from './api/stopwatch';
import { engines } from './engines';
import { openGate } from './network/gate';
import { startPageServer } from './network/page-server';
import { probeWithin, stepsBefore } from './own-page';
import { type PhoneBrowser, phoneBrowsers } from './phone/phone-browser';
import { findPhonePrograms, type PhoneScreen, startPhoneScreen } from './phone/phone-screen';
import { findMark } from './picture/display-change';
import { PictureShelf } from './picture/picture-shelf';
import { cut, decoded, type Raster } from './picture/raster';

/** How long a keyboard may take to come up or to go, ms. */
const patience = 2000;
/** How long the page's height has to stay the same, ms. */
const rest = 180;

/**
 * The observer of on-screen keyboards: taps every field of a form on a phone-sized display and says which keyboard came up. Everything that it started is gone
 * when it returns or throws. Throws `EngineLost` when the engine or the keyboard cannot be had.
 *
 * @param wanted the fields that are asked about
 * @param onAnswer is told each answer as it comes
 * @param signal ends it; what was answered until then has been told
 */
export async function measureKeyboards(
  name: PhoneEngine,
  { markup, page }: Pick<KeyboardQuestion, 'markup' | 'page'>,
  wanted: (field: Field) => boolean,
  onAnswer: (answer: KeyboardAnswer) => void = () => undefined,
  signal?: AbortSignal,
): Promise<KeyboardAnswer[]> {
  const engine = engines[name];
  const [found, phone] = await Promise.all([engine.find(), findPhonePrograms()]);
  if (found.status === 'missing') throw new EngineLost(found.failure, { isSettled: true });
  if (phone.status === 'missing') throw new EngineLost(phone.failure, { isSettled: true });
  signal?.throwIfAborted();
  const gate = page && (await openGate(page));
  const server = await startPageServer();
  try {
    const address = page ? page.address : server.add(pageUnderTest(markup));
    const screen = await onceMore(() => startPhoneScreen(phone.programs), signal);
    const start = () => phoneBrowsers[name](found.path, screen.env, gate);
    const asked = { address, markup, page, target: targetId(name), engine: engine.title };
    return await measuredOn(screen, start, asked, wanted, onAnswer, signal);
  } finally {
    await server.close();
    await gate?.close();
  }
}

interface Asked extends Pick<KeyboardQuestion, 'markup' | 'page'> {
  readonly address: string;
  readonly target: TargetId;
  /** The engine's title. */
  readonly engine: string;
}

/** What came of tapping one field. */
interface Tapped {
  readonly facts: KeyboardFacts;
  readonly picture: Picture;
}

function answerOf(
  { target, engine }: Asked,
  field: Field,
  version: string,
  { facts, picture }: Tapped,
): KeyboardAnswer {
  const protocol = 'a finger, on a phone-sized display with a real on-screen keyboard';
  return {
    observation: {
      field: field.id,
      target,
      provenance: { mark: 'measured', engine, version, protocol, unable: [] },
      at: new Date().toISOString(),
      question: 'keyboard',
      outcome: { status: 'answered', facts },
    },
    picture,
  };
}

/** Taps the fields on a display, which is gone in the end. */
async function measuredOn(
  screen: PhoneScreen,
  start: () => Promise<PhoneBrowser>,
  asked: Asked,
  wanted: (field: Field) => boolean,
  onAnswer: (answer: KeyboardAnswer) => void,
  signal: AbortSignal | undefined,
): Promise<KeyboardAnswer[]> {
  const { address, markup, page } = asked;
  let shown: Shown | null = null;
  let hidden: Promise<void> = Promise.resolve();
  const hide = () => {
    const { browser } = shown ?? {};
    shown = null;
    hidden = hidden.then(() => browser?.close());
    return hidden;
  };
  const stop = () => void hide();
  signal?.addEventListener('abort', stop, { once: true });
  try {
    const { fields } = readForm(markup);
    const show = () => shownAt(start(), address, screen, page, fields);
    const answers: KeyboardAnswer[] = [];
    const shelf = new PictureShelf();
    const ofField = async (field: Field) => {
      signal?.throwIfAborted();
      shown ??= await show();
      try {
        // A browser that came up after nobody waited any more.
        signal?.throwIfAborted();
        return answerOf(asked, field, shown.browser.version, await ask(field, screen, shown, shelf));
      } catch (error) {
        // Whatever it was, what is asked next is asked of another browser.
        await hide();
        throw error;
      }
    };
    for (const field of fields.filter(wanted)) {
      const answer = await onceMore(() => ofField(field), signal);
      answers.push(answer);
      onAnswer(answer);
    }
    return answers;
  } finally {
    signal?.removeEventListener('abort', stop);
    await hide();
    await screen.close();
  }
}

/** Does the steps before the form of an own page, and makes that form the one under test. */
async function arriveAt(browser: PhoneBrowser, page: OwnPage, fields: readonly Field[]): Promise<void> {
  const { code } = await probeBundle('probe');
  const evaluate = (expression: string) => browser.evaluate(expression);
  await stepsBefore(page, { form: page.form, fields })(evaluate);
  await evaluate(`(() => { ${probeWithin(page, fields, code)} return true; })()`);
}

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** A page that shows on the display: in which browser, and where. */
interface Shown {
  readonly browser: PhoneBrowser;
  /** Of the viewport on the display, px. */
  readonly corner: Corner;
  /** Height of the viewport while no keyboard is up, CSS px. */
  readonly full: number;
  /** An expression for the first control of a field. */
  readonly control: (field: Field) => string;
}

async function shownAt(
  starting: Promise<PhoneBrowser>,
  address: string,
  screen: PhoneScreen,
  page: OwnPage | null,
  fields: readonly Field[],
): Promise<Shown> {
  const browser = await starting;
  try {
    await browser.open(address);
    const corner = await viewportOn(screen, browser);
    if (page) await arriveAt(browser, page, fields);
    return { browser, corner, full: await untouchedHeight(browser), control: controlIn(page) };
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

const controlIn =
  (page: OwnPage | null) =>
  ({ controls: [{ ordinal }] }: Field) =>
    page
      ? `window.${probeGlobal}.controlAt(${ordinal})`
      : `${ownDocument}.querySelectorAll('${controlSelector}')[${ordinal}]`;

async function ask(
  field: Field,
  screen: PhoneScreen,
  { browser, corner, full, control }: Shown,
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
