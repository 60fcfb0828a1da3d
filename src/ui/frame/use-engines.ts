import { useEffect, useState } from 'react';
import type { EngineStatuses } from '@/core/sweep/engine-status';

const nothingKnown: EngineStatuses = { engines: [], unusable: null };

/** Asks the server once which engines it can ask; empty until it answers. */
export function useEngines(): EngineStatuses {
  const [statuses, setStatuses] = useState(nothingKnown);
  useEffect(() => {
    const gone = new AbortController();
    fetch('/api/engines', { signal: gone.signal })
      .then((response) => response.json() as Promise<EngineStatuses>)
      .then(setStatuses)
      // Without a server there is nothing to say here; a sweep says it.
      .catch(() => undefined);
    return () => gone.abort();
  }, []);
  return statuses;
}
