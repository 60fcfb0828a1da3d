import { stopAll } from './run-registry';

/** Ends every sweep when the server is told to stop; open streams would hold it up otherwise. */
export function stopWithServer(): void {
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.once(signal, () => void stopAll());
}
