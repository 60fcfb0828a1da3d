#!/usr/bin/env node
/**
 * Runs a browser, and ends it with all that belongs to it when the process that asked for it is gone, however it went:
 * a server that is killed cannot clean up after itself. Stands between the server and the browser; the browser's
 * output passes through, and its temporary files go to a folder that goes with it. UKKO_KEPT_PROGRAM names the
 * browser, the arguments are its own.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const asker = process.ppid;
const parameters = process.argv.slice(2);
const temporary = mkdtempSync(join(tmpdir(), 'ukko-browser-'));
const kept = spawn(process.env.UKKO_KEPT_PROGRAM, parameters, {
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { ...process.env, TMPDIR: temporary },
});

kept.once('error', () => end(127));
kept.once('exit', (code) => end(code ?? 1));

const watch = setInterval(() => {
  if (process.ppid === asker) return;
  clearInterval(watch);
  kept.removeAllListeners('exit');
  kept.once('exit', endFamily);
  kept.kill('SIGKILL');
}, 250);

for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP']) process.on(signal, () => kept.kill(signal));

function remove(path) {
  rmSync(path, { recursive: true, force: true, maxRetries: 5 });
}

function end(code) {
  remove(temporary);
  process.exit(code);
}

function endFamily() {
  const profile = parameters
    .find((one) => one.startsWith('--user-data-dir='))
    ?.slice('--user-data-dir='.length);
  if (profile) remove(profile);
  remove(temporary);
  // The asker made this process the head of a group of its own; what is left of the browser is in it.
  process.kill(-process.pid, 'SIGKILL');
}
