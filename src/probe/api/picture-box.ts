import { pictureMargin } from '@/core/observation/size';
import type { Box } from './probe-api';

/** The part of the document that a picture of a control shows: its box with a margin, in whole CSS px, inside the document. */
export function pictureBox(box: Box, document: Box, margin = pictureMargin): Box | null {
  const x = Math.max(document.x, Math.floor(box.x) - margin);
  const y = Math.max(document.y, Math.floor(box.y) - margin);
  const right = Math.min(document.x + document.width, Math.ceil(box.x + box.width) + margin);
  const bottom = Math.min(document.y + document.height, Math.ceil(box.y + box.height) + margin);
  return right > x && bottom > y ? { x, y, width: right - x, height: bottom - y } : null;
}
