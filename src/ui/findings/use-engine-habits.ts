'use client';

import { useCallback, useSyncExternalStore } from 'react';

const key = 'ukko-engine-habits';
const listeners = new Set<() => void>();

function listen(changed: () => void): () => void {
  listeners.add(changed);
  window.addEventListener('storage', changed);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('storage', changed);
  };
}

/** Whether the person wants to hear of what engines do to every field by themselves; once it is switched off, it stays so, for every form. */
export function useEngineHabits(): readonly [isTold: boolean, tell: (isTold: boolean) => void] {
  const isTold = useSyncExternalStore(
    listen,
    () => window.localStorage.getItem(key) !== 'off',
    () => true,
  );
  const tell = useCallback((next: boolean) => {
    if (next) window.localStorage.removeItem(key);
    else window.localStorage.setItem(key, 'off');
    for (const changed of listeners) changed();
  }, []);
  return [isTold, tell];
}
