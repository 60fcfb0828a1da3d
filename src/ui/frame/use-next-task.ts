'use client';

import { startTransition, useEffect, useState } from 'react';

/** False while something is drawn for the first time, and true a task later: what can come then does not lengthen the first task of a view. */
export function useNextTask(): boolean {
  const [isNext, setNext] = useState(false);
  useEffect(() => {
    const later = setTimeout(() => startTransition(() => setNext(true)));
    return () => clearTimeout(later);
  }, []);
  return isNext;
}
