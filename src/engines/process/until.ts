import { access } from 'node:fs/promises';
import { setTimeout as wait } from 'node:timers/promises';
import { commandTimeout } from '../api/deadline';
import { stopwatch } from '../api/stopwatch';

/** Waits until something is so, for as long as a command may take; throws an error that says `otherwise` after that. */
export async function until(isSo: () => boolean | Promise<boolean>, otherwise: string): Promise<void> {
  for (const elapsed = stopwatch(); elapsed() < commandTimeout; await wait(50)) if (await isSo()) return;
  throw new Error(otherwise);
}

/** Waits until there is a file, or a socket, at a path. */
export function untilThere(path: string): Promise<void> {
  const isThere = () =>
    access(path).then(
      () => true,
      () => false,
    );
  return until(isThere, `${path} did not come`);
}
