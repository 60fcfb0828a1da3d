/** Which findings fail a build. */
export const failOns = ['new', 'changed', 'any', 'never'] as const;
export type FailOn = (typeof failOns)[number];
