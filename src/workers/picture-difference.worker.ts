import { expose } from 'comlink';
import pixelmatch from 'pixelmatch';

/** Compares pictures where it holds nothing up. */
const pictureDifference = {
  /** @returns px that differ, text smoothing left aside; null when the pictures are not of one size or cannot be read. */
  async pixels(a: Uint8Array<ArrayBuffer>, b: Uint8Array<ArrayBuffer>): Promise<number | null> {
    try {
      const [one, other] = await Promise.all([pixelsOf(a), pixelsOf(b)]);
      if (one.width !== other.width || one.height !== other.height) return null;
      return pixelmatch(one.data, other.data, undefined, one.width, one.height, { threshold: 0.1 });
    } catch {
      return null;
    }
  },
};
export type PictureDifference = typeof pictureDifference;

async function pixelsOf(png: Uint8Array<ArrayBuffer>): Promise<ImageData> {
  const image = await createImageBitmap(new Blob([png], { type: 'image/png' }));
  const context = new OffscreenCanvas(image.width, image.height).getContext('2d');
  if (!context) throw new Error('This browser gives no canvas.');
  context.drawImage(image, 0, 0);
  return context.getImageData(0, 0, image.width, image.height);
}

expose(pictureDifference);
