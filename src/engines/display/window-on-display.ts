import { setTimeout as wait } from 'node:timers/promises';
import { pictureMargin } from '@/core/observation/size';
import { union } from '@/probe/api/box';
import type { Box } from '@/probe/api/probe-api';
import type { Act, Appeared, WindowOnDisplay } from '@/probe/api/window-on-display';
import { ownDocument } from '../api/own-document';
import { stopwatch } from '../api/stopwatch';
import { changeBetween, findMark, isChanged } from '../picture/display-change';
import type { PictureShelf } from '../picture/picture-shelf';
import { cut, type Raster } from '../picture/raster';
import { type Display, displaySize } from './display';
import { DisplayLooks } from './display-looks';
import type { PopUpHabits } from './pop-up-habits';

/** How much longer than the page takes to draw what was done something may take to begin to appear: on a busy machine both take long. */
const asPageDraws = 4;
/** Longest that is waited for anything to begin to appear, ms. */
const longestPatience = 3000;
/** How long it may take to come to rest once it has begun, ms. */
const restTime = 2500;
/** Focus rings stand outside of a control's box; they are no pop-up. CSS px. */
const ringWidth = 7;

const mark = { outer: 253, green: 1 } as const;
/** Scripts that show and take away a mark in the viewport's top left corner, over a dialog that covers all else too. */
const showMark = `(() => { const mark = ${ownDocument}.createElement('div'); mark.id = 'ukko-mark'; mark.style.cssText = 'all:initial;position:fixed;left:0;top:0;width:6px;height:6px;z-index:2147483647;background:rgb(${mark.outer},${mark.green},${mark.outer})'; ${ownDocument}.documentElement.append(mark); if (${ownDocument}.querySelector('dialog:modal')) { mark.popover = 'manual'; mark.showPopover(); } })()`;
const hideMark = `${ownDocument}.getElementById('ukko-mark')?.remove()`;

/** Body of a function that veils the viewport for a moment, too thin to be seen, so that all of it is drawn anew; ends when it has been. */
export const redrawPage = `return new Promise((done) => {
  const soon = (next) => requestAnimationFrame(() => requestAnimationFrame(next));
  const veil = ${ownDocument}.createElement('div');
  veil.style.cssText = 'all:initial;position:fixed;inset:0;z-index:2147483647;pointer-events:none;background:rgb(0 0 0 / 0.01)';
  ${ownDocument}.documentElement.append(veil);
  soon(() => { veil.remove(); soon(done); });
})`;

/** Where a viewport is: display px of its corner, its size in CSS px, and display px per CSS px. */
export interface ViewportPlace {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}

/**
 * Finds the viewport on the display by asking the page to show a mark: window frames and toolbars of each engine
 * need not be known. Null when the mark cannot be seen.
 */
export async function locateViewport(
  display: Display,
  run: (script: string) => Promise<unknown>,
): Promise<{ x: number; y: number } | null> {
  await run(showMark);
  try {
    for (let attempt = 0; attempt < 40; attempt++) {
      const found = findMark(await display.picture(), mark.outer, mark.green);
      if (found) {
        // Browsers start with their address bar focused, and show no bubble as long as it is. The mark takes the click.
        await display.click(found.x + 3, found.y + 3);
        await display.away();
        return found;
      }
      await wait(50);
    }
    return null;
  } finally {
    await run(hideMark);
  }
}

/** What a window on a display needs from its page. */
export interface PagePaint {
  /** Ends once all that was done to the page is drawn. On a busy machine it else comes late, and would pass for what opened. */
  painted(): Promise<unknown>;
  /** Draws the page anew under what has opened; null where the engine does that by itself. */
  readonly redraw: (() => Promise<unknown>) | null;
  /** Pop-ups of the engine have come to rest when nothing has changed for so long, ms. */
  readonly stepPause: PopUpHabits['stepPause'];
}

export function windowOnDisplay(
  display: Display,
  shelf: PictureShelf,
  place: ViewportPlace,
  paint: PagePaint,
): WindowOnDisplay {
  const toDisplay = (box: Box): Box => ({
    x: Math.round(place.x + box.x * place.scale),
    y: Math.round(place.y + box.y * place.scale),
    width: Math.round(box.width * place.scale),
    height: Math.round(box.height * place.scale),
  });
  const toViewport = (box: Box): Box => ({
    x: (box.x - place.x) / place.scale,
    y: (box.y - place.y) / place.scale,
    width: box.width / place.scale,
    height: box.height / place.scale,
  });
  const act = async (one: Act): Promise<void> => {
    if (one.kind === 'key') return display.key(one.key);
    if (one.kind === 'call') return one.call();
    return display.click(place.x + one.x * place.scale, place.y + one.y * place.scale);
  };
  // Toolbars above the page follow the focus and the address; a pop-up is where the page is, or outside of the window.
  const toolbar: Box = {
    x: place.x - 8,
    y: place.y - 120,
    width: place.width * place.scale + 16,
    height: 120,
  };

  const looks = new DisplayLooks(display);
  /** The display with the page as it stands, and the pointer away from it. */
  const atRest = async (): Promise<Raster> => {
    await display.away();
    const elapsed = stopwatch();
    await paint.painted();
    // The display shows late what the page drew late.
    return settled(looks, Math.max(restPause, elapsed()));
  };
  const ignoredAt = (...parts: readonly Box[]) => [
    ...parts.map((part) => toDisplay(grown(part, ringWidth))),
    toolbar,
  ];
  const taken = async (control: Box, { raster, change, after }: PixelChange): Promise<Appeared> => {
    const shown = inDisplay([toDisplay(grown(control, pictureMargin)), grown(change, 2)]);
    return { picture: await shelf.take(cut(raster, shown)), box: toViewport(change), after };
  };

  let open: PixelChange | null = null;
  let last: { readonly before: Raster; readonly opened: PixelChange } | null = null;
  return {
    status: 'there',
    viewport: { width: place.width, height: place.height },
    async appearing(control, one, patience, parts = [control]): Promise<Appeared | null> {
      if (last) looks.giveBack(last.before, last.opened.raster);
      [last, open] = [null, null];
      const before = await atRest();
      await act(one);
      // A pointer that stays makes tooltips come up, and they are no pop-ups.
      if (one.kind === 'click') await display.away();
      open = await changed(looks, before, ignoredAt(...parts), patience, paint);
      if (!open) {
        looks.giveBack(before);
        return null;
      }
      last = { before, opened: open };
      return taken(control, open);
    },
    async beyondPage(control) {
      if (!last) return null;
      const alone = await atRest();
      const change = changeBetween(last.before, last.opened.raster, ignoredAt(control), alone);
      looks.giveBack(alone);
      return change && taken(control, { ...last.opened, change });
    },
    press: (key) => display.key(key),
    async dismiss() {
      await display.key('Escape');
      await display.away();
      if (!open) return;
      // On a busy machine it goes late; then its going would pass for the next thing that opens.
      await gone(looks, open);
      // It kept from the page that the pointer left what was clicked on, which is still drawn as under the pointer.
      await display.over(place.x + 1, place.y + place.height * place.scale - 1);
      await display.away();
      open = null;
    },
  };
}

/** Something that came to be seen: the display with it, and where it is, px. */
interface PixelChange {
  readonly raster: Raster;
  readonly change: Box;
  /** How long it took to begin to be seen, ms. */
  readonly after: number;
}

/** How long something that was dismissed may take to go, ms. */
const goingTime = 800;

/** Waits until what opened is no longer drawn as it was. */
async function gone(looks: DisplayLooks, { raster, change }: PixelChange): Promise<void> {
  for (const elapsed = stopwatch(); elapsed() < goingTime; await wait(interval)) {
    const seen = await looks.take();
    const now = changeBetween(raster, seen, []);
    looks.giveBack(seen);
    if (now && overlap(now, change)) return;
  }
}

function overlap(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

/** How long the display rests once the page is drawn, ms. */
const restPause = 60;
/** How often the display is looked at, ms. */
const interval = 30;

/**
 * The display once it has rested for so many ms, or as it is when it never rests.
 * @param painted where it is given, the page has to have drawn meanwhile: what draws nothing at all has not come to rest
 */
async function settled(
  looks: DisplayLooks,
  rest: number,
  painted: (() => Promise<unknown>) | null = null,
): Promise<Raster> {
  let raster = await looks.take();
  const elapsed = stopwatch();
  for (let since = 0; elapsed() - since < rest && elapsed() < restTime; ) {
    await wait(interval);
    if (painted && elapsed() - since >= rest) await painted();
    const next = await looks.take();
    if (isChanged(raster, next)) since = elapsed();
    looks.giveBack(raster);
    raster = next;
  }
  return raster;
}

/**
 * What has come to be seen, once it rests; null where nothing comes.
 * @param least how long it may take to begin, ms, after the page has drawn what was done
 */
async function changed(
  looks: DisplayLooks,
  before: Raster,
  ignored: readonly Box[],
  least: number,
  { painted, redraw, stepPause }: PagePaint,
): Promise<PixelChange | null> {
  const elapsed = stopwatch();
  let patience = longestPatience;
  const drawn = painted().then(() => {
    patience = Math.min(longestPatience, elapsed() * (1 + asPageDraws) + least);
  });
  // Whatever goes wrong in the page is met where it is asked for something next.
  drawn.catch(() => undefined);
  while (elapsed() < patience) {
    await wait(interval);
    const seen = await looks.take();
    const isSeen = isChanged(before, seen, ignored);
    looks.giveBack(seen);
    if (!isSeen) continue;
    const after = elapsed();
    let raster = await settled(looks, stepPause, painted);
    if (redraw) {
      await redraw();
      looks.giveBack(raster);
      raster = await settled(looks, restPause);
    }
    const change = changeBetween(before, raster, ignored);
    if (change) return { raster, change, after };
    // What flashed up and went was not a pop-up.
    looks.giveBack(raster);
  }
  return null;
}

function grown(box: Box, by: number): Box {
  return { x: box.x - by, y: box.y - by, width: box.width + 2 * by, height: box.height + 2 * by };
}

/** The box around all of these as far as it is on the display, in whole px. */
function inDisplay(boxes: readonly [Box, ...Box[]]): Box {
  const box = union(boxes) ?? boxes[0];
  const [x, y] = [Math.max(0, Math.floor(box.x)), Math.max(0, Math.floor(box.y))];
  return {
    x,
    y,
    width: Math.min(displaySize.width, Math.ceil(box.x + box.width)) - x,
    height: Math.min(displaySize.height, Math.ceil(box.y + box.height)) - y,
  };
}
