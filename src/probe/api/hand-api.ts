import type { HandTurn } from '@/core/device/hand-typing';
import type { FrameApi } from './frame-api';
import type { Box, ProbeField } from './probe-api';

/** What happened in a field of a page that a person types into. */
export interface HandNews {
  /** Index of the field among those that were asked for. */
  readonly field: number;
  readonly state: 'focused' | 'left';
  /** All since the field got the focus. */
  readonly turns: readonly HandTurn[];
  /** Where the field is in the frame, CSS px. */
  readonly box: Box;
}

/** What the frame of a device's page answers over its message port. */
export interface HandApi extends FrameApi {
  /**
   * Puts the page into the frame, to be typed into by a person, and tells what happens in its fields.
   * @returns the height of the page, CSS px
   */
  watch(
    html: string,
    fields: readonly ProbeField[],
    heard: (news: HandNews) => unknown,
  ): Promise<number> | number;
}
