#!/usr/bin/env node
/**
 * Runs a browser, and ends it with all that belongs to it when it is told to, or when the process that asked for it is
 * gone, however it went: a server that is killed cannot clean up after itself. Stands between the server and the
 * browser; the browser's output passes through.
 *
 * UKKO_KEPT_PROGRAM names the browser, the arguments are its own; UKKO_KEPT_FOLDER is a folder that goes with it, for
 * its profile and its temporary files. Every process of the browser has that in its environment, by which it is known.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { endMarked } from './marked-processes.mjs';

const asker = process.ppid;
const folder = process.env.UKKO_KEPT_FOLDER;
const temporary = join(folder, 'tmp');
mkdirSync(temporary, { recursive: true });
const kept = spawn(process.env.UKKO_KEPT_PROGRAM, process.argv.slice(2), {
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { ...process.env, TMPDIR: temporary },
});

kept.once('error', end);
kept.once('exit', end);
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(signal, () => kept.kill('SIGKILL'));
setInterval(() => {
  if (process.ppid !== asker) kept.kill('SIGKILL');
}, 250);

/** The browser's helpers go a moment after it and may still write; what they leave is tried again. */
async function end() {
  endMarked(`UKKO_KEPT_FOLDER=${folder}`);
  for (let attempt = 0; attempt < 50; attempt++) {
    try {
      rmSync(folder, { recursive: true, force: true });
    } catch {
      // Somebody wrote into it meanwhile.
    }
    await wait(40);
    if (!existsSync(folder)) break;
  }
  // The asker made this process the head of a group of its own; what is left of the browser is in it.
  process.kill(-process.pid, 'SIGKILL');
}
