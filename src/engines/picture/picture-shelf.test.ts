import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { PictureShelf } from './picture-shelf';

/** A grey control of 40 × 20 px, of which so many px, from the first, are lighter by so much. */
function drawn(px = 0, lighter = 0): PNG {
  const png = new PNG({ width: 40, height: 20 });
  for (let at = 0; at < png.data.length; at += 4)
    png.data.fill(at / 4 < px ? 120 + lighter : 120, at, at + 3).fill(255, at + 3, at + 4);
  return png;
}

async function areOnePicture(some: PNG, other: PNG): Promise<boolean> {
  const shelf = new PictureShelf();
  return (await shelf.take(some)).id === (await shelf.take(other)).id;
}

describe('pictures of one browser', () => {
  it('are one where an edge is smoothed otherwise', async () => {
    expect(await areOnePicture(drawn(), drawn())).toBe(true);
    expect(await areOnePicture(drawn(), drawn(12, 8))).toBe(true);
    // The grip of a text area that is enlarged by its corner.
    expect(await areOnePicture(drawn(), drawn(24, 4))).toBe(true);
  });

  it('are two where a surface, a caret or the size differs', async () => {
    expect(await areOnePicture(drawn(), drawn(97, 1))).toBe(false);
    expect(await areOnePicture(drawn(), drawn(13, 8))).toBe(false);
    expect(await areOnePicture(drawn(), drawn(1, 9))).toBe(false);
    expect(await areOnePicture(drawn(), new PNG({ width: 20, height: 40 }))).toBe(false);
  });

  it('are told as the first of those that are alike was', async () => {
    const shelf = new PictureShelf();
    const [first, second] = [await shelf.take(drawn(3, 2)), await shelf.take(drawn())];
    expect(second).toBe(first);
    expect(PNG.sync.read(Buffer.from(first.data, 'base64')).data[0]).toBe(122);
  });
});
