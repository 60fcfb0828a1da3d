import { existsSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Supervised } from './supervised-process';

/** A browser that a driver starts, run in a way that tells when it has ended: drivers wait a minute for one that died at its start. */
export interface WatchedBrowser {
  /** What the driver is to start. */
  readonly path: string;
  /** The first of: the session that the driver opens, and the news that its browser has ended. Rejects with an `Error` then. */
  whileRunning<T>(opening: Promise<T>): Promise<T>;
}

/** How often it is looked whether a browser has ended, ms. */
const lookEvery = 50;

export async function watchedBrowser(supervised: Supervised, program: string): Promise<WatchedBrowser> {
  const path = join(supervised.folder, 'watched-browser');
  const ended = `${path}.ended`;
  supervised.env.UKKO_WATCHED_BROWSER = program;
  await writeFile(path, '#!/bin/sh\n"$UKKO_WATCHED_BROWSER" "$@"\n: > "$0.ended"\n', {
    mode: 0o755,
  });
  return {
    path,
    async whileRunning(opening) {
      let isOver = false;
      const over = opening.finally(() => {
        isOver = true;
      });
      const gone = (async () => {
        for (; !isOver; await wait(lookEvery))
          if (existsSync(ended)) throw new Error('its browser ended at its start');
        return over;
      })();
      return Promise.race([over, gone]);
    },
  };
}
