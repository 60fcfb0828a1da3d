/** CSS px. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

export const sides = ['left', 'top', 'right', 'bottom'] as const;
export type Side = (typeof sides)[number];
