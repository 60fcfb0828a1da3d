import { stopAll } from './run-registry';
import { warmBrowsers } from './warm-browsers';

/** How often it is looked whether whoever started the server is still there, ms. */
const lookEvery = 1000;

/** Ends every sweep and every browser that waits for one when the server is told to stop, and stops when `UKKO_STARTER`, the process that started it, is gone; open streams would hold it up otherwise. */
export function stopWithServer(): void {
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.once(signal, () => void endAll());
  const starter = Number(process.env.UKKO_STARTER ?? 0);
  if (starter !== process.ppid) return;
  setInterval(() => {
    if (process.ppid !== starter) process.kill(process.pid, 'SIGTERM');
  }, lookEvery).unref();
}

async function endAll(): Promise<void> {
  await Promise.all([stopAll(), warmBrowsers.close()]);
}
