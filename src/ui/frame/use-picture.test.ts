import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Picture, type PictureId, pictureData, pictureId } from '@/core/observation/picture';
import { openDatabase } from '@/store/database';
import { Pictures, pictureAddress } from './use-picture';

function picture(byte: number): Picture {
  const png = new Uint8Array([137, 80, 78, 71, byte]);
  return { id: pictureId(png), width: 5, height: 1, data: pictureData(png) };
}

const kept = Array.from({ length: 6 }, (_, index) => picture(index));
const ids = kept.map(({ id }) => id);
let pictures: Pictures;

beforeEach(async () => {
  pictures = new Pictures();
  await openDatabase().pictures.bulkPut(kept);
});
afterEach(() => {
  vi.restoreAllMocks();
  return openDatabase().pictures.clear();
});

describe('pictures out of the store', () => {
  it('are read in one go when they are wanted in one go, and once', async () => {
    const reads = vi.spyOn(openDatabase().pictures, 'bulkGet');
    const [first, second] = await Promise.all([
      pictures.read(ids[0] as PictureId),
      pictures.read(ids[1] as PictureId),
    ]);
    expect([first, second]).toEqual(kept.slice(0, 2));
    expect(await pictures.read(ids[0] as PictureId)).toBe(first);
    expect(reads).toHaveBeenCalledTimes(1);
  });

  it('that the store has not are null, and are looked for again the next time', async () => {
    const late = picture(200);
    await openDatabase().pictures.delete(late.id);
    expect(await pictures.read(late.id)).toBeNull();
    await openDatabase().pictures.put(late);
    expect(await pictures.read(late.id)).toEqual(late);
  });

  it('are told to who shows them, and to nobody else', async () => {
    const [one, other] = [vi.fn(), vi.fn()];
    const leave = pictures.onChange(ids[0] as PictureId, one);
    pictures.onChange(ids[1] as PictureId, other);
    await pictures.read(ids[0] as PictureId);
    expect(one).toHaveBeenCalledTimes(1);
    expect(other).not.toHaveBeenCalled();
    leave();
    await pictures.keepOnly(ids.slice(0, 2));
    expect(one).toHaveBeenCalledTimes(1);
    expect(other).toHaveBeenCalledTimes(1);
  });

  it('of a sweep that is left are given back, but for those that are still shown', async () => {
    await pictures.keepOnly(ids.slice(0, 3));
    pictures.onChange(ids[0] as PictureId, () => undefined);
    await pictures.keepOnly(ids.slice(2, 4));
    expect(ids.slice(0, 4).map((id) => pictures.get(id) !== null)).toEqual([true, false, true, true]);
  });

  it('become images that need no other address', () => {
    expect(pictureAddress(picture(1))).toBe(`data:image/png;base64,${picture(1).data}`);
  });
});
