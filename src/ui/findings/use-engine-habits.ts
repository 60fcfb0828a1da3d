'use client';

import { useCallback } from 'react';
import { useKeptSetting } from '../frame/use-kept-setting';

/** Whether the person wants to hear of what engines do to every field by themselves; once it is switched off, it stays so, for every form. */
export function useEngineHabits(): readonly [isTold: boolean, tell: (isTold: boolean) => void] {
  const [kept, keep] = useKeptSetting('ukko-engine-habits');
  const tell = useCallback((isTold: boolean) => keep(isTold ? null : 'off'), [keep]);
  return [kept !== 'off', tell];
}
