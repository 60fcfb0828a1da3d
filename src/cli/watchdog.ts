import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';

declare global {
  /** Whoever started the command, as it was when the command began. */
  var ukkoStarter: number | undefined;
}

/** How long a command may go on after it was told to stop, ms: browsers are ended, and what was answered is written. */
const grace = 20_000;

/**
 * Watches over a command from a thread of its own, which goes on when a computation holds the command up: ends it when whoever
 * started it is gone, and some time after it was told to stop or its own limit was over.
 *
 * @param longest after which it is told to stop, ms; null: it may go on
 * @param stop tells the command to stop, with the reason
 */
export function watchOver(longest: number | null, stop: (reason: string) => void): void {
  const worker = new Worker(watch, {
    eval: true,
    workerData: { starters: starters(), longest, grace, pid: process.pid },
    stdout: false,
    stderr: false,
  });
  worker.on('message', stop);
  // It keeps nobody waiting, and without it the command works all the same.
  worker.on('error', () => undefined);
  worker.unref();
}

/**
 * Processes by whose end the command ends: its own starter, and, where that is npm or a shell that npm runs it with, the one
 * that started npm's, each with the starter that it has now.
 */
function starters(): [pid: number, parent: number][] {
  const starter = globalThis.ukkoStarter ?? process.ppid;
  const parent = parentOf(starter);
  const own: [number, number][] = [[process.pid, starter]];
  return parent === null || parent <= 1 ? own : [...own, [starter, parent]];
}

/** Linux tells it; elsewhere the command's own starter is watched alone. */
function parentOf(pid: number): number | null {
  try {
    const [, rest = ''] = /^.*\)\s+(.*)$/s.exec(readFileSync(`/proc/${pid}/stat`, 'utf8')) ?? [];
    return Number(rest.split(' ')[1]);
  } catch {
    return null;
  }
}

/** Runs in the thread: plain JavaScript, because it is not compiled. */
const watch = `
const { readFileSync } = require('node:fs');
const { parentPort, workerData } = require('node:worker_threads');
const { starters, longest, grace, pid } = workerData;
const began = Date.now();
let told = null;
const parentOf = (one) => {
  if (one === pid) return process.ppid;
  try {
    return Number(/^.*\\)\\s+(.*)$/s.exec(readFileSync('/proc/' + one + '/stat', 'utf8'))[1].split(' ')[1]);
  } catch {
    return null;
  }
};
const isAlone = () => starters.some(([one, parent]) => parent > 1 && parentOf(one) !== parent);
setInterval(() => {
  if (told !== null) {
    if (Date.now() - told > grace) process.kill(pid, 'SIGKILL');
    return;
  }
  if (isAlone()) { told = Date.now(); parentPort.postMessage('whoever started it is gone'); }
  else if (longest !== null && Date.now() - began > longest) { told = Date.now(); parentPort.postMessage('its time was over'); }
}, 500);
`;
