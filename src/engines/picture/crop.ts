import { PNG } from 'pngjs';
import { type Picture, pictureBytes } from '@/core/observation/picture';
import type { Box } from '@/probe/api/probe-api';
import { changeBetween } from './display-change';
import type { PictureShelf } from './picture-shelf';
import { cut, decoded, rasterOfPng } from './raster';

/**
 * Cuts boxes out of a PNG; null stays null.
 * @param boxes whole CSS px, inside the picture.
 * @param scale px of the picture for one CSS px.
 */
export async function cropAll(
  png: Uint8Array,
  boxes: readonly (Box | null)[],
  shelf: PictureShelf,
  scale = 1,
): Promise<(Picture | null)[]> {
  const document = await decoded(png);
  const pictures: (Picture | null)[] = [];
  // One after the other: the shelf has to know the first of two that are alike before it sees the second.
  for (const box of boxes) pictures.push(box ? await shelf.take(cut(document, scaled(box, scale))) : null);
  return pictures;
}

/** The box in which two pictures differ, px; null when nowhere, or when they are not of one size. */
export function changeBetweenPictures(before: Picture, after: Picture): Box | null {
  const [a, b] = [before, after].map((one) => rasterOfPng(PNG.sync.read(Buffer.from(pictureBytes(one)))));
  if (!a || !b || a.width !== b.width || a.height !== b.height) return null;
  return changeBetween(a, b, []);
}

function scaled({ x, y, width, height }: Box, scale: number): Box {
  return { x: x * scale, y: y * scale, width: width * scale, height: height * scale };
}
