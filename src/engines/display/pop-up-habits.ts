/** How what opens over the pages of an engine comes to be seen. */
export interface PopUpHabits {
  /**
   * Whether the page has to be drawn anew under what has opened. WebKitGTK gives its pop-ups the shape that they have only when the page
   * under them is drawn, and until then they stand on a grey box.
   */
  readonly redraws: boolean;
  /** They fade or grow in steps; this is longer than the longest pause between two that was seen, ms. */
  readonly stepPause: number;
}

/** They fade in from frame to frame: pauses up to 60 ms were seen. */
export const quickPopUps: PopUpHabits = { redraws: false, stepPause: 140 };
/** They get their shadow late: pauses up to 255 ms were seen. */
export const slowPopUps: PopUpHabits = { redraws: true, stepPause: 320 };
