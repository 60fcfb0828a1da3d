import { PNG } from 'pngjs';
import { type Picture, pictureId } from '@/core/observation/picture';
import type { Box } from '@/probe/probe-api';

/** Cuts boxes (whole px, inside the picture) out of a PNG; null stays null. */
export async function cropAll(png: Uint8Array, boxes: readonly (Box | null)[]): Promise<(Picture | null)[]> {
  const document = PNG.sync.read(Buffer.from(png));
  return Promise.all(boxes.map((box) => (box ? pictureOf(crop(document, box)) : null)));
}

function crop(document: PNG, box: Box): PNG {
  const cut = new PNG({ width: box.width, height: box.height });
  PNG.bitblt(document, cut, box.x, box.y, box.width, box.height, 0, 0);
  return cut;
}

async function pictureOf(png: PNG): Promise<Picture> {
  const bytes = PNG.sync.write(png);
  return {
    id: await pictureId(new Uint8Array(bytes)),
    width: png.width,
    height: png.height,
    data: bytes.toString('base64'),
  };
}
