'use client';

import { useCallback } from 'react';
import { useKeptSetting } from './use-kept-setting';

/** How long sweeps may take, minutes: when nobody says it, and at most. */
const [usual, longest] = [60, 600] as const;
export const longestSweep = longest;

/** After how many minutes a sweep that was not ended is ended, with what was answered by then. */
export function useSweepLimit(): readonly [minutes: number, set: (minutes: number) => void] {
  const [kept, keep] = useKeptSetting('ukko-sweep-limit');
  const said = Number(kept ?? usual);
  const isUsable = Number.isInteger(said) && said >= 1 && said <= longest;
  const set = useCallback((minutes: number) => keep(minutes === usual ? null : String(minutes)), [keep]);
  return [isUsable ? said : usual, set];
}
