/** Of the phone-sized display, px. */
export const phoneSize = { width: 520, height: 960 } as const;
