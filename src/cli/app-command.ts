import { freePort, isFree, startApp } from '../../scripts/start-app.mjs';
import { refuse } from './refuse';
import { stopSignal } from './stopping';

const usual = 4310;

/** `ukko app`: starts the built app on this machine and prints its address, until it is told to stop. */
export async function appCommand({ port }: { readonly port?: number }): Promise<void> {
  const stop = stopSignal();
  if (port !== undefined && !(await isFree(port)))
    return refuse(`Port ${port} is taken. Choose another one with --port, or leave it away.`);
  try {
    const app = await startApp(port ?? ((await isFree(usual)) ? usual : await freePort()));
    process.stdout.write(`Ukko is at ${app.address}\nStop it with Ctrl+C.\n`);
    stop.addEventListener('abort', () => void app.stop(), { once: true });
    if (stop.aborted) await app.stop();
    await app.exited;
  } catch (error) {
    refuse(error instanceof Error ? error.message : String(error));
  }
}
