import { setTimeout as wait } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import type { Box } from '@/probe/api/probe-api';
import { PictureShelf } from '../picture/picture-shelf';
import type { Raster } from '../picture/raster';
import type { Display } from './display';
import { displaySize } from './display';
import { locateViewport, windowOnDisplay } from './window-on-display';

interface Drawn extends Box {
  readonly shade: number;
  /** ms after something was done first. */
  readonly from?: number;
  readonly until?: number;
}

/** A display on which grey boxes come and go. */
function madeUpDisplay(drawn: Drawn[]): Display & { acts: string[]; begin(): void } {
  let begun: number | null = null;
  const begin = () => {
    begun ??= Date.now();
  };
  const acts: string[] = [];
  return {
    name: ':made-up',
    acts,
    begin,
    async picture(): Promise<Raster> {
      const { width, height } = displaySize;
      const data = Buffer.alloc(width * height * 4, 255);
      const now = begun === null ? 0 : Date.now() - begun;
      for (const { x, y, width: w, height: h, shade, from = 0, until = Infinity } of drawn) {
        if (now < from || now >= until) continue;
        for (let row = y; row < y + h; row++)
          for (let column = x; column < x + w; column++)
            data.fill(shade, (row * width + column) * 4, (row * width + column) * 4 + 3);
      }
      return { width, height, stride: width * 4, data, channels: 'bgr' };
    },
    async click(x, y) {
      begin();
      acts.push(`click ${x} ${y}`);
    },
    async over(x, y) {
      acts.push(`over ${x} ${y}`);
    },
    async away() {
      acts.push('away');
    },
    async key(name) {
      begin();
      acts.push(`key ${name}`);
    },
    toClipboard: async () => null,
    close: async () => undefined,
  };
}

const place = { x: 240, y: 200, width: 400, height: 300, scale: 2 };
const atOnce = { painted: async () => undefined, redraw: null, stepPause: 260 };
const patience = 900;
const control: Box = { x: 50, y: 40, width: 60, height: 10 };

describe('a window on a display', () => {
  it('shows what appeared, in CSS px of the viewport, with the control in the picture', async () => {
    const display = madeUpDisplay([{ x: 340, y: 320, width: 100, height: 80, shade: 90, from: 300 }]);
    const window = windowOnDisplay(display, new PictureShelf(), place, atOnce);
    const appeared = await window.appearing(control, { kind: 'click', x: 60, y: 45 }, patience);
    expect(appeared?.box).toEqual({ x: 50, y: 60, width: 50, height: 40 });
    expect(display.acts).toEqual(['away', 'click 360 290', 'away']);
    // From the top of the control, less its margin, to the end of the pop-up.
    expect([appeared?.picture.width, appeared?.picture.height]).toEqual([136, 400 + 2 - (280 - 8)]);
  });

  it('takes no focus ring, no change inside of the control and nothing in a toolbar for something that opened', async () => {
    const display = madeUpDisplay([
      { x: 240 + 2 * 50 - 8, y: 200 + 2 * 40 - 8, width: 136, height: 36, shade: 10, from: 100 },
      { x: 300, y: 120, width: 200, height: 60, shade: 10, from: 100 },
    ]);
    const window = windowOnDisplay(display, new PictureShelf(), place, atOnce);
    expect(await window.appearing(control, { kind: 'key', key: 'alt+Down' }, patience)).toBeNull();
    expect(display.acts).toEqual(['away', 'key alt+Down']);
  });

  it('shows what appeared over a control of several parts, between them and over one', async () => {
    const group: Box = { x: 50, y: 40, width: 300, height: 60 };
    const parts = [
      { ...group, height: 10 },
      { ...group, y: 90, height: 10 },
    ];
    const drawn = { x: 240 + 120, y: 200 + 120, width: 80, height: 50, shade: 90, from: 100 };
    const shown = async (own?: readonly Box[]) =>
      windowOnDisplay(madeUpDisplay([drawn]), new PictureShelf(), place, atOnce).appearing(
        group,
        { kind: 'key', key: 'Down' },
        patience,
        own,
      );
    expect((await shown(parts))?.box).toEqual({ x: 60, y: 60, width: 40, height: 23 });
    expect(await shown()).toBeNull();
  });

  it('takes nothing for opened that the page had still to draw before', async () => {
    const drawn: Drawn[] = [];
    const display = madeUpDisplay(drawn);
    const late = async () => {
      await wait(120);
      drawn.push({ x: 340, y: 320, width: 40, height: 10, shade: 60 });
    };
    const window = windowOnDisplay(display, new PictureShelf(), place, { ...atOnce, painted: late });
    expect(await window.appearing(control, { kind: 'key', key: 'alt+Down' }, patience)).toBeNull();
  });

  it('tells what opened from what the page draws around a field that has the focus', async () => {
    const beside = { x: 340, y: 320, width: 40, height: 10, shade: 60, from: 250 };
    const drawn: Drawn[] = [beside, { x: 400, y: 340, width: 60, height: 80, shade: 90, from: 300 }];
    const display = madeUpDisplay(drawn);
    const window = windowOnDisplay(display, new PictureShelf(), place, atOnce);
    expect(await window.beyondPage(control)).toBeNull();
    const appeared = await window.appearing(control, { kind: 'click', x: 60, y: 45 }, patience);
    expect(appeared?.box).toEqual({ x: 50, y: 60, width: 60, height: 50 });
    drawn.pop();
    await window.dismiss();
    expect((await window.beyondPage(control))?.box).toEqual({ x: 80, y: 70, width: 30, height: 40 });
    // The page may still take what it was clicked on for something under the pointer.
    expect(display.acts.slice(-5, -1)).toEqual(['key Escape', 'away', 'over 241 799', 'away']);
  });

  it('waits for what grows, and leaves out what only flashed up', async () => {
    const display = madeUpDisplay([
      { x: 340, y: 320, width: 40, height: 10, shade: 60, from: 250 },
      { x: 340, y: 320, width: 40, height: 60, shade: 60, from: 420 },
      { x: 700, y: 500, width: 10, height: 10, shade: 60, from: 250, until: 300 },
    ]);
    const window = windowOnDisplay(display, new PictureShelf(), place, atOnce);
    const appeared = await window.appearing(
      control,
      { kind: 'call', call: async () => display.begin() },
      patience,
    );
    expect(appeared?.box).toEqual({ x: 50, y: 60, width: 20, height: 30 });
  });

  it('is as the page shows it once that is drawn anew under what opened', async () => {
    const drawn: Drawn[] = [{ x: 340, y: 320, width: 100, height: 80, shade: 90, from: 300 }];
    const display = madeUpDisplay(drawn);
    const redraw = async () => {
      drawn.splice(0, 1, { x: 350, y: 330, width: 80, height: 60, shade: 90 });
    };
    const window = windowOnDisplay(display, new PictureShelf(), place, { ...atOnce, redraw });
    const appeared = await window.appearing(control, { kind: 'click', x: 60, y: 45 }, patience);
    expect(appeared?.box).toEqual({ x: 55, y: 65, width: 40, height: 30 });
  });

  it('is found by a mark that the page shows, and gets the focus by a click that the mark takes', async () => {
    const mark = { x: 243, y: 160, width: 6, height: 6, shade: 0 };
    const display = madeUpDisplay([]);
    const marked: Display = {
      ...display,
      picture: async () => {
        const raster = await display.picture();
        raster.data.set([253, 1, 253], (mark.y * raster.width + mark.x) * 4);
        return raster;
      },
    };
    const scripts: string[] = [];
    const found = await locateViewport(marked, async (script) => scripts.push(script));
    expect(found).toEqual({ x: 243, y: 160 });
    expect(display.acts).toEqual(['click 246 163', 'away']);
    expect(scripts.map((script) => script.includes('remove'))).toEqual([false, true]);
  });
});
