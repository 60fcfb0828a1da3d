import { pictureMargin } from '@/core/observation/picture';
import type { Box } from './probe-api';

/** The part of the document that a picture of a control shows: its box with a margin, in whole CSS px, inside the page. */
export function pictureBox(
  box: Box,
  page: { width: number; height: number },
  margin = pictureMargin,
): Box | null {
  const x = Math.max(0, Math.floor(box.x) - margin);
  const y = Math.max(0, Math.floor(box.y) - margin);
  const right = Math.min(page.width, Math.ceil(box.x + box.width) + margin);
  const bottom = Math.min(page.height, Math.ceil(box.y + box.height) + margin);
  return right > x && bottom > y ? { x, y, width: right - x, height: bottom - y } : null;
}
