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
  const { width, height } = after;
  let [left, top, right, bottom] = [width, height, -1, -1];
  eachChange(before, after, ignored, (x, y, at) => {
    if (other !== before && !differs(other.data, after.data, at)) return 'on';
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    bottom = y;
    return 'on';
  });
  return right < 0 ? null : { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
}

/** Whether anything in `after` differs from `before` outside of `ignored`; ends at the first px that does. */
export function isChanged(before: Raster, after: Raster, ignored: readonly Box[] = []): boolean {
  let isOne = false;
  eachChange(before, after, ignored, () => {
    isOne = true;
    return 'end';
  });
  return isOne;
}

/** Visits the px that differ outside of `ignored`, row by row, with their places in the data, until told to end. */
function eachChange(
  before: Raster,
  after: Raster,
  ignored: readonly Box[],
  visit: (x: number, y: number, at: number) => 'on' | 'end',
): void {
  const { width, height, stride } = after;
  if (before.data.equals(after.data)) return;
  for (let y = 0; y < height; y++) {
    const row = y * stride;
    if (before.data.compare(after.data, row, row + width * 4, row, row + width * 4) === 0) continue;
    const beside = ignored.filter((box) => y >= box.y && y < box.y + box.height);
    for (let x = 0; x < width; x++) {
      const at = row + x * 4;
      if (!differs(before.data, after.data, at)) continue;
      if (beside.some((box) => x >= box.x && x < box.x + box.width)) continue;
      if (visit(x, y, at) === 'end') return;
    }
  }
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
