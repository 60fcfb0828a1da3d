import type { Box } from './probe-api';

/** The box around all of these; null when there are none. */
export function union(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((b) => b.x + b.width)) - x,
    height: Math.max(...boxes.map((b) => b.y + b.height)) - y,
  };
}

/** A box of the viewport as one of the document, CSS px. */
export function inDocument({ x, y, width, height }: DOMRect): Box {
  return { x: x + window.scrollX, y: y + window.scrollY, width, height };
}

/** Where a person points at it: the middle, on whole px. */
export function middleOf({ x, y, width, height }: Box): [x: number, y: number] {
  return [Math.round(x + width / 2), Math.round(y + height / 2)];
}
