import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { afterAll, afterEach, describe, expect, it } from 'vitest';
import { pictureMargin } from '@/core/observation/size';
import { pictureBox } from '@/probe/api/picture-box';
import { answer, loaded, withDeadline } from './api/deadline';
import { EngineLost } from './api/engine';
import { screensOf } from './display/screens';
import { cropAll } from './picture/crop';
import { PictureShelf } from './picture/picture-shelf';
import { findProgram } from './process/find-program';
import { endSupervised, startSupervised, supervise } from './process/supervised-process';

describe('finding a program', () => {
  const directory = mkdtempSync(join(tmpdir(), 'ukko-find-'));
  const program = join(directory, 'engine');
  writeFileSync(program, '#!/bin/sh\n', { mode: 0o755 });
  writeFileSync(join(directory, 'plain'), 'x', { mode: 0o644 });
  const path = process.env.PATH;
  afterEach(() => {
    process.env.PATH = path;
    delete process.env.UKKO_TEST_PROGRAM;
  });
  afterAll(() => rmSync(directory, { recursive: true }));

  it('looks along the path, for each name in turn', async () => {
    process.env.PATH = `/nowhere:${directory}`;
    expect(await findProgram('UKKO_TEST_PROGRAM', ['other', 'engine'])).toBe(program);
  });
  it('takes only what may be run', async () => {
    process.env.PATH = directory;
    expect(await findProgram('UKKO_TEST_PROGRAM', ['plain'])).toBeNull();
  });
  it('lets the environment name another, and then looks nowhere else', async () => {
    process.env.PATH = directory;
    process.env.UKKO_TEST_PROGRAM = '/nowhere/engine';
    expect(await findProgram('UKKO_TEST_PROGRAM', ['engine'])).toBeNull();
    process.env.UKKO_TEST_PROGRAM = program;
    expect(await findProgram('UKKO_TEST_PROGRAM', ['nothing'])).toBe(program);
  });
});

describe('deadlines', () => {
  const never = new Promise<never>(() => undefined);

  it('give what comes in time, and name the engine that does not answer', async () => {
    expect(await withDeadline(Promise.resolve(7), 1000, 'Gecko')).toBe(7);
    await expect(withDeadline(never, 10, 'Gecko')).rejects.toThrow('Gecko did not answer within 0.01 s.');
  });
  it('say of a page that does not end loading what there is to be seen to', async () => {
    const late = loaded('Gecko', never, 10);
    await expect(late).rejects.toThrow('Gecko did not answer: the page was not loaded within 0.01 s. Check');
  });
  it('turn whatever goes wrong into an engine that is lost, with the first line of why', async () => {
    const broken = () => Promise.reject(new Error('Protocol error\n  at somewhere'));
    const lost = answer('Gecko', () => true, broken);
    await expect(lost).rejects.toThrow(/^Gecko did not answer: Protocol error$/);
    await expect(lost).rejects.toBeInstanceOf(EngineLost);
    const gone = answer('Gecko', () => false, broken);
    await expect(gone).rejects.toThrow('Gecko went away in the middle of the work.');
  });
});

describe('the box of a picture', () => {
  const page = { x: 0, y: 0, width: 800, height: 600 };

  it('is the control with a margin, in whole px', () => {
    expect(pictureBox({ x: 20.3, y: 30, width: 100.4, height: 20 }, page)).toEqual({
      x: 20 - pictureMargin,
      y: 30 - pictureMargin,
      width: 101 + 2 * pictureMargin,
      height: 20 + 2 * pictureMargin,
    });
  });
  it('may lie left of where scrolling begins, in a page that reads from right to left', () => {
    const wide = { x: -300, y: 0, width: 1100, height: 600 };
    expect(pictureBox({ x: -299, y: 30, width: 20, height: 20 }, wide, 4)).toEqual({
      x: -300,
      y: 26,
      width: 25,
      height: 28,
    });
    expect(pictureBox({ x: -299, y: 30, width: 20, height: 20 }, page, 4)).toBeNull();
  });
  it('stays inside the page, and is none outside of it', () => {
    expect(pictureBox({ x: -50, y: -50, width: 20, height: 20 }, page)).toBeNull();
    const number = fc.double({ min: -1000, max: 2000, noNaN: true });
    const length = fc.double({ min: 0, max: 900, noNaN: true });
    fc.assert(
      fc.property(number, number, length, length, (x, y, width, height) => {
        const box = pictureBox({ x, y, width, height }, page);
        if (!box) return;
        expect([box.x, box.y, box.width, box.height].every(Number.isInteger)).toBe(true);
        expect(box.x >= 0 && box.y >= 0 && box.x + box.width <= 800 && box.y + box.height <= 600).toBe(true);
      }),
    );
  });
});

describe('cutting pictures out of one', () => {
  /** Every pixel says where it is. */
  const document = new PNG({ width: 40, height: 30 });
  for (let at = 0; at < 40 * 30; at++) document.data.set([at % 40, Math.floor(at / 40), 0, 255], at * 4);
  const bytes = PNG.sync.write(document);

  it('gives each box its own pixels', async () => {
    const [first, none, second] = await cropAll(
      bytes,
      [{ x: 5, y: 7, width: 3, height: 2 }, null, { x: 0, y: 0, width: 40, height: 30 }],
      new PictureShelf(),
    );
    const cut = PNG.sync.read(Buffer.from(first?.data ?? '', 'base64'));
    expect([cut.width, cut.height, ...cut.data.subarray(0, 2)]).toEqual([3, 2, 5, 7]);
    expect(none).toBeNull();
    expect([second?.width, second?.height]).toEqual([40, 30]);
  });
  it('names equal pictures alike, and others not', async () => {
    const box = { x: 1, y: 1, width: 4, height: 4 };
    const [a, b, c] = await cropAll(bytes, [box, box, { ...box, x: 20 }], new PictureShelf());
    expect(a?.id).toBe(b?.id);
    expect(a?.id).not.toBe(c?.id);
  });
});

describe('screens', () => {
  const box = (y: number, height = 20) => ({ x: 0, y, width: 10, height });

  it('hold as many boxes as fit into one viewport, from the top down', () => {
    expect(screensOf([box(700), box(10), null, box(580), box(1290)], 600)).toEqual([
      { top: 10, indices: [1, 3] },
      { top: 700, indices: [0] },
      { top: 1290, indices: [4] },
    ]);
  });
  it('leave out what is higher than the viewport', () => {
    expect(screensOf([box(0, 601), box(0, 600)], 600)).toEqual([{ top: 0, indices: [1] }]);
  });
  it('show every box that fits, once and whole', () => {
    const boxes = fc.array(fc.tuple(fc.nat(5000), fc.integer({ min: 1, max: 600 })), { maxLength: 40 });
    fc.assert(
      fc.property(boxes, (list) => {
        const all = list.map(([y, height]) => box(y, height));
        const screens = screensOf(all, 600);
        expect(screens.flatMap((screen) => screen.indices).sort((a, b) => a - b)).toEqual(
          all.map((_, index) => index),
        );
        for (const { top, indices } of screens)
          for (const index of indices) {
            const one = all[index];
            expect(one && one.y >= top && one.y + one.height <= top + 600).toBe(true);
          }
      }),
    );
  });
});

describe('a keeper', () => {
  const isThere = (id: number | undefined) => {
    try {
      process.kill(id ?? 0, 0);
      return true;
    } catch {
      return false;
    }
  };
  const leftOf = async (folder: string) => {
    const { existsSync } = await import('node:fs');
    return existsSync(folder);
  };

  it('ends its program and removes its folder when it is told to', async () => {
    const supervised = await supervise('/bin/sleep');
    const keeper = startSupervised(supervised, ['60']);
    await wait(400);
    expect(isThere(keeper.pid)).toBe(true);
    await endSupervised(keeper, supervised);
    expect([isThere(keeper.pid), await leftOf(supervised.folder)]).toEqual([false, false]);
  });
  it('removes the folder even when it is ended before it has begun', async () => {
    const supervised = await supervise('/bin/sleep');
    await endSupervised(startSupervised(supervised, ['60']), supervised);
    expect(await leftOf(supervised.folder)).toBe(false);
  });
  it('goes with a program that ends by itself, and stands one that is not there', async () => {
    for (const program of ['/bin/true', '/nowhere/program']) {
      const supervised = await supervise(program);
      const keeper = startSupervised(supervised, []);
      await new Promise((resolve) => keeper.once('exit', resolve));
      await endSupervised(keeper, supervised);
      expect(await leftOf(supervised.folder)).toBe(false);
    }
  });
});
