import type { Box } from '@/probe/api/probe-api';

/** What can be in sight at once. */
export interface Screen {
  /** Of the document, CSS px. */
  readonly top: number;
  readonly indices: readonly number[];
}

/** Sorts boxes into screens of one viewport of this height each, from the top down. Higher boxes are in none. */
export function screensOf(boxes: readonly (Box | null)[], viewportHeight: number): Screen[] {
  const fitting = boxes
    .flatMap((box, index) => (box && box.height <= viewportHeight ? [{ box, index }] : []))
    .sort((a, b) => a.box.y - b.box.y);
  const screens: { top: number; indices: number[] }[] = [];
  for (const { box, index } of fitting) {
    const last = screens.at(-1);
    if (last && box.y + box.height <= last.top + viewportHeight) last.indices.push(index);
    else screens.push({ top: box.y, indices: [index] });
  }
  return screens;
}
