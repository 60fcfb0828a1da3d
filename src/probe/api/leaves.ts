import type { Side } from '@/core/observation/size';
import type { Box } from './probe-api';

/** The sides of a viewport that a box in it reaches past, by more than a shadow's width; CSS px. */
export function leavesOf(box: Box, viewport: { width: number; height: number }, shadow = 4): Side[] {
  const past: Record<Side, number> = {
    left: -box.x,
    top: -box.y,
    right: box.x + box.width - viewport.width,
    bottom: box.y + box.height - viewport.height,
  };
  return (Object.keys(past) as Side[]).filter((side) => past[side] > shadow);
}
