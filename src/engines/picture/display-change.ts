import type { Box } from '@/probe/api/probe-api';
import type { Raster } from './raster';

/** Least change of one colour channel that counts: text is smoothed a little differently when its neighbour is redrawn. */
const threshold = 8;

/**
 * The box around everything in `after` that differs from each of the others, px, outside of `ignored`; null when nothing
 * does. All are of the same size.
 */
export function changeBetween(
  before: Raster,
  after: Raster,
  ignored: readonly Box[],
  other: Raster = before,
): Box | null {
  const { width, height, stride } = after;
  if (before.data.equals(after.data)) return null;
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++) {
    const row = y * stride;
    if (before.data.compare(after.data, row, row + width * 4, row, row + width * 4) === 0) continue;
    const beside = ignored.filter((box) => y >= box.y && y < box.y + box.height);
    for (let x = 0; x < width; x++) {
      if (!differs(before.data, after.data, row + x * 4)) continue;
      if (other !== before && !differs(other.data, after.data, row + x * 4)) continue;
      if (beside.some((box) => x >= box.x && x < box.x + box.width)) continue;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      bottom = y;
    }
  }
  return right < 0 ? null : { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
}

/** Whether anything in `after` differs from `before` outside of `ignored`; ends at the first px that does. */
export function isChanged(before: Raster, after: Raster, ignored: readonly Box[] = []): boolean {
  const { width, height, stride } = after;
  if (before.data.equals(after.data)) return false;
  for (let y = 0; y < height; y++) {
    const row = y * stride;
    if (before.data.compare(after.data, row, row + width * 4, row, row + width * 4) === 0) continue;
    const beside = ignored.filter((box) => y >= box.y && y < box.y + box.height);
    for (let x = 0; x < width; x++)
      if (
        differs(before.data, after.data, row + x * 4) &&
        !beside.some((box) => x >= box.x && x < box.x + box.width)
      )
        return true;
  }
  return false;
}

function differs(a: Buffer, b: Buffer, at: number): boolean {
  for (let channel = at; channel < at + 3; channel++)
    if (Math.abs((a[channel] ?? 0) - (b[channel] ?? 0)) > threshold) return true;
  return false;
}

/** The first pixel, row by row, whose outer channels are both `outer` and whose green is `green`; null when none is. */
export function findMark(
  { width, height, stride, data }: Raster,
  outer: number,
  green: number,
): { x: number; y: number } | null {
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = y * stride + x * 4;
      if (data[at] === outer && data[at + 1] === green && data[at + 2] === outer) return { x, y };
    }
  return null;
}
