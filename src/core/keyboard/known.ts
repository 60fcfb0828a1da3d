/** How sure a datum is, the surest first. What a device told outranks what stands anywhere else. */
export const certainties = ['captured', 'measured', 'corrected', 'documented', 'remembered'] as const;
export type Certainty = (typeof certainties)[number];

/** Where a datum is known from. */
export interface Known {
  readonly source: string;
  readonly sure: Certainty;
}

export function isSurer(a: Known, b: Known): boolean {
  return certainties.indexOf(a.sure) < certainties.indexOf(b.sure);
}
