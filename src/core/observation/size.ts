/** CSS px. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

export const sides = ['left', 'top', 'right', 'bottom'] as const;
export type Side = (typeof sides)[number];

/** Room around a control in its picture, CSS px: outlines and marks beside the field belong to what a person sees. */
export const pictureMargin = 4;
