'use client';

import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function listen(changed: () => void): () => void {
  listeners.add(changed);
  window.addEventListener('storage', changed);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('storage', changed);
  };
}

/**
 * What a person set for all forms, as this browser keeps it.
 * @param key under which it is kept
 * @returns null where nothing was set; setting null takes it back
 */
export function useKeptSetting(key: string): readonly [string | null, (next: string | null) => void] {
  const kept = useSyncExternalStore(
    listen,
    () => window.localStorage.getItem(key),
    () => null,
  );
  const keep = useCallback(
    (next: string | null) => {
      if (next === null) window.localStorage.removeItem(key);
      else window.localStorage.setItem(key, next);
      for (const changed of listeners) changed();
    },
    [key],
  );
  return [kept, keep];
}
