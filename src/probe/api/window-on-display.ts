import type { Unanswered } from '@/core/observation/outcome';
import type { Picture } from '@/core/observation/picture';
import type { Box } from './probe-api';

/** What a person does to make something open; places are CSS px of the viewport. */
export type Act =
  | { readonly kind: 'click'; readonly x: number; readonly y: number }
  /** A key or combination by its X name: `alt+Down`. */
  | { readonly kind: 'key'; readonly key: string }
  | { readonly kind: 'call'; call(): Promise<void> };

/** Something that came to be seen: a pop-up or a bubble. */
export interface Appeared {
  /** The control with what appeared, as on the display. */
  readonly picture: Picture;
  /** What appeared, CSS px of the viewport; what lies outside of the viewport has left the page's window. */
  readonly box: Box;
  /** How long it took to begin to appear, ms. */
  readonly after: number;
}

/** Why there is no window to be seen: there cannot be one, or something is missing that a person can install. */
export type NoWindow = Unanswered;

/** The page's window on a display, where pop-ups can be seen. */
export interface WindowOnDisplay {
  readonly status: 'there';
  /** CSS px. */
  readonly viewport: { readonly width: number; readonly height: number };
  /**
   * Does `act` and waits for something to appear outside of `control` (CSS px of the viewport).
   * @param patience how long that may take once the page has drawn what was done, ms; on a busy machine it gets more
   * @param parts of the control, where it is several: what appears may lie between them
   * @returns null when nothing does.
   */
  appearing(control: Box, act: Act, patience: number, parts?: readonly Box[]): Promise<Appeared | null>;
  /**
   * Of what appeared last, what the page does not draw by itself as it stands now: what styles bring out beside a field that
   * has the focus has not opened.
   * @returns null when that is all of it
   */
  beyondPage(control: Box): Promise<Appeared | null>;
  /** Presses a key or combination by its X name, as the keyboard of the display does. */
  press(key: string): Promise<void>;
  /** Presses Escape, and takes the pointer away. */
  dismiss(): Promise<void>;
}
