'use client';

import { useCallback, useLayoutEffect, useRef } from 'react';

/** The same function over all renders, which calls the newest one: so that a memoized child need not be drawn again for it. */
export function useSteady<Parameters extends readonly unknown[], Result>(
  newest: (...parameters: Parameters) => Result,
): (...parameters: Parameters) => Result {
  const latest = useRef(newest);
  useLayoutEffect(() => {
    latest.current = newest;
  });
  return useCallback((...parameters: Parameters) => latest.current(...parameters), []);
}
