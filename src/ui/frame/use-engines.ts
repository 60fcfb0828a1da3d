import { useEffect, useState } from 'react';
import type { EngineName } from '@/core/target/target';

/** Whether an engine is on the server's machine; `remedy` says how to get one that is not. */
export interface EngineStatus {
  readonly name: EngineName;
  readonly status: 'found' | 'missing';
  readonly remedy?: string;
}

/** Asks the server once which engines it has; empty until it answers. */
export function useEngines(): readonly EngineStatus[] {
  const [engines, setEngines] = useState<readonly EngineStatus[]>([]);
  useEffect(() => {
    const gone = new AbortController();
    fetch('/api/engines', { signal: gone.signal })
      .then((response) => response.json() as Promise<EngineStatus[]>)
      .then(setEngines)
      // Without a server there is nothing to say here; a sweep says it.
      .catch(() => undefined);
    return () => gone.abort();
  }, []);
  return engines;
}
