import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { afterAll, describe, expect, it } from 'vitest';
import { plainVariant, type Variant } from '@/core/target/variant';
import { enginesFileText } from '@/core/words/file-fault-words';
import { leavesOf } from '@/probe/api/leaves';
import type { EnginePage } from '../api/engine';
import { viewportOf } from '../api/viewport';
import { readEnginesFile } from '../network/engines-file';
import { changeBetween, findMark } from '../picture/display-change';
import { PictureShelf } from '../picture/picture-shelf';
import { cut, rasterOfPng } from '../picture/raster';
import { unableTo } from '../variant-check';
import { ScreenFile } from './screen-file';

/** A picture whose every px is `shade`, with one box in another shade. */
function picture(
  shade: number,
  box?: { x: number; y: number; width: number; height: number; shade: number },
) {
  const png = new PNG({ width: 60, height: 40 });
  for (let y = 0; y < 40; y++)
    for (let x = 0; x < 60; x++) {
      const inside =
        box && x >= box.x && x < box.x + box.width && y >= box.y && y < box.y + box.height
          ? box.shade
          : shade;
      png.data.set([inside, inside, inside, 255], (y * 60 + x) * 4);
    }
  return png;
}

describe('what changed on a display', () => {
  const before = rasterOfPng(picture(200));
  const place = fc.record({
    x: fc.integer({ min: 0, max: 50 }),
    y: fc.integer({ min: 0, max: 30 }),
    width: fc.integer({ min: 1, max: 10 }),
    height: fc.integer({ min: 1, max: 10 }),
  });

  it('is the box around it, wherever that is', () => {
    fc.assert(
      fc.property(place, (box) => {
        const after = rasterOfPng(picture(200, { ...box, shade: 20 }));
        expect(changeBetween(before, after, [])).toEqual(box);
        expect(changeBetween(before, after, [box])).toBeNull();
      }),
      { numRuns: 40 },
    );
  });
  it('is nothing when the same was drawn a little differently', () => {
    expect(changeBetween(before, rasterOfPng(picture(206)), [])).toBeNull();
    expect(changeBetween(before, rasterOfPng(picture(215)), [])).toEqual({
      x: 0,
      y: 0,
      width: 60,
      height: 40,
    });
  });
  it('leaves the window at each side that it reaches past, by more than a shadow', () => {
    const window = { width: 800, height: 600 };
    expect(leavesOf({ x: 10, y: 10, width: 100, height: 594 }, window)).toEqual([]);
    expect(leavesOf({ x: -10, y: 400, width: 900, height: 300 }, window)).toEqual([
      'left',
      'right',
      'bottom',
    ]);
    expect(leavesOf({ x: 0, y: -30, width: 5, height: 5 }, window)).toEqual(['top']);
  });
});

describe('the screen of a virtual display', () => {
  /** A screen of 3 × 2 px as the X server writes it: header, two colours, little-endian pixels with a byte to spare. */
  function dump(): Buffer {
    const header = Buffer.alloc(100 + 2 * 12);
    const words: Record<number, number> = {
      0: 100,
      1: 7,
      2: 2,
      3: 24,
      4: 3,
      5: 2,
      7: 0,
      11: 32,
      12: 16,
      19: 2,
    };
    for (const [index, value] of Object.entries(words)) header.writeUInt32BE(value, Number(index) * 4);
    const pixels = Buffer.alloc(2 * 16);
    pixels.set([3, 2, 1, 0], 16 + 4);
    pixels.set([253, 1, 253, 0], 8);
    return Buffer.concat([header, pixels]);
  }
  const folder = mkdtempSync(join(tmpdir(), 'ukko-screen-'));
  const file = join(folder, 'screen');
  afterAll(() => rmSync(folder, { recursive: true }));

  it('is read with its rows and colours in their places', async () => {
    writeFileSync(file, dump());
    const screen = new ScreenFile(file);
    const raster = await screen.picture(null);
    expect([raster.width, raster.height]).toEqual([3, 2]);
    const out = cut(raster, { x: 1, y: 1, width: 1, height: 1 });
    expect([...out.data]).toEqual([1, 2, 3, 255]);
    expect(findMark(raster, 253, 1)).toEqual({ x: 2, y: 0 });
    expect(findMark(raster, 7, 7)).toBeNull();

    const now = dump();
    now.set([7, 7, 7, 0], 124 + 8);
    writeFileSync(file, now);
    const again = await screen.picture(raster);
    expect([again.data === raster.data, findMark(again, 7, 7)]).toEqual([true, { x: 2, y: 0 }]);
    await screen.close();
  });
  it('of another depth is refused', async () => {
    const other = dump();
    other.writeUInt32BE(16, 11 * 4);
    writeFileSync(file, other);
    const screen = new ScreenFile(file);
    await expect(screen.picture(null)).rejects.toThrow('16 bits a pixel');
    await screen.close();
  });
});

describe('the shelf of pictures', () => {
  it('takes a picture that nobody could tell from an earlier one for that one', async () => {
    const shelf = new PictureShelf();
    const first = await shelf.take(picture(200));
    const rounded = await shelf.take(picture(200, { x: 3, y: 3, width: 2, height: 2, shade: 205 }));
    const shade = await shelf.take(picture(205));
    const other = await shelf.take(picture(200, { x: 3, y: 3, width: 1, height: 1, shade: 220 }));
    expect(rounded).toBe(first);
    expect(new Set([first.id, shade.id, other.id]).size).toBe(3);
    const back = PNG.sync.read(Buffer.from(first.data, 'base64'));
    expect(back.data.equals(picture(200).data)).toBe(true);
  });
});

describe('what an engine could not do of a variant', () => {
  const page = (is: object) =>
    ({
      evaluate: async () => ({
        languages: ['en-US', 'en'],
        region: 'en-US',
        dark: false,
        ratio: 1,
        width: 800,
        message: 'Please fill out this field.',
        ...is,
      }),
    }) as unknown as EnginePage;
  const unable = (is: object, variant: Partial<Variant>) =>
    unableTo(page(is), { ...plainVariant, ...variant }, { 'de-DE': 'words-de' });

  it('is nothing when the page says what was asked for', async () => {
    expect(await unable({}, {})).toEqual([]);
    const german = { languages: ['de-DE'], region: 'de', message: 'Bitte ausfüllen.' };
    expect(await unable(german, { language: 'de-DE' })).toEqual([]);
    expect(await unable({ ratio: 2, width: 400 }, { zoom: 2 })).toEqual([]);
  });
  it('is told by what the page says, with a way out where there is one', async () => {
    expect(await unable({}, { language: 'de-DE' })).toEqual([
      { code: 'language', wanted: 'de-DE', asksFor: ['en-US', 'en'] },
      { code: 'locale', wanted: 'de-DE', is: 'en-US' },
      { code: 'words', wanted: 'de-DE', package: 'words-de' },
    ]);
    expect(await unable({ languages: ['en-GB'] }, { language: 'en-GB' })).toEqual([
      { code: 'locale', wanted: 'en-GB', is: 'en-US' },
    ]);
    expect(await unable({}, { scheme: 'dark', zoom: 2, width: 360 })).toEqual([
      { code: 'colour scheme', wanted: 'dark' },
      { code: 'zoom', wanted: 2, is: 1 },
      { code: 'width', wanted: 180, is: 800 },
    ]);
  });
  it('counts with a viewport that zooming makes smaller', () => {
    expect(viewportOf({ ...plainVariant, zoom: 2 })).toEqual({ width: 400, height: 300 });
  });
});

describe('the engines file', () => {
  const folder = mkdtempSync(join(tmpdir(), 'ukko-engines-file-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const endpoint = { name: 'next-room', title: 'Next room', address: 'http://192.0.2.7:4444' };
  const read = (content: string) => {
    const path = join(folder, 'engines.json');
    writeFileSync(path, content);
    return readEnginesFile(path);
  };

  it('that is not there names no endpoint', async () => {
    expect(await readEnginesFile(join(folder, 'nothing.json'))).toEqual({
      status: 'read',
      endpoints: [],
      pages: [],
    });
  });
  it('names endpoints, with nothing asked of them unless it says so', async () => {
    expect(await read(JSON.stringify({ endpoints: [endpoint] }))).toEqual({
      status: 'read',
      endpoints: [{ ...endpoint, capabilities: {}, pagesFrom: null }],
      pages: [],
    });
  });
  it('lists pages of other machines by their origins', async () => {
    const pages = ['https://staging.example:8443'];
    expect(await read(JSON.stringify({ pages }))).toEqual({ status: 'read', endpoints: [], pages });
  });
  it.each([
    ['{', 'it is not valid JSON'],
    ['{}', 'neither “endpoints” nor “pages” is given'],
    [{ pages: ['https://staging.example/log'] }, 'pages[0], the origin of a page is expected'],
    [{ endpoints: [{ ...endpoint, name: 'Next Room' }] }, 'a name of lower-case letters'],
    [{ endpoints: [{ ...endpoint, name: 'firefox' }] }, 'finds by itself'],
    [{ endpoints: [{ ...endpoint, address: 'file:///etc' }] }, 'begins with http'],
    [{ endpoints: [endpoint, endpoint] }, 'two endpoints are called “next-room”'],
    [{ endpoints: [{ ...endpoint, passphrase: 'x' }] }, 'passphrase'],
  ])('%j cannot be used, and says why', async (content, why) => {
    const reading = await read(typeof content === 'string' ? content : JSON.stringify(content));
    expect(reading.status === 'fault' && enginesFileText(reading)).toContain(why);
  });
});
