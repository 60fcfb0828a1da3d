/**
 * Processes that carry a mark in their environment, wherever they went: a message bus that a browser starts leaves its group
 * and its session, but not its environment. Linux tells it; elsewhere nothing is found, and the group has to do.
 */
import { readdirSync, readFileSync } from 'node:fs';

/**
 * @param {string} mark `NAME=value` as it stands in the environment
 * @returns {number[]} ids, without that of whoever asks
 */
export function markedProcesses(mark) {
  let ids;
  try {
    ids = readdirSync('/proc').filter((name) => /^\d+$/.test(name));
  } catch {
    return [];
  }
  return ids.map(Number).filter((id) => id !== process.pid && environmentOf(id).includes(mark));
}

/** Empty for processes that have ended, or are somebody else's. */
function environmentOf(id) {
  try {
    return readFileSync(`/proc/${id}/environ`, 'latin1').split('\0');
  } catch {
    return [];
  }
}

/**
 * Ends all of them, and those that they start meanwhile.
 * @param {string} mark
 */
export function endMarked(mark) {
  for (let round = 0; round < 20; round++) {
    const ids = markedProcesses(mark);
    if (ids.length === 0) return;
    for (const id of ids) {
      try {
        process.kill(id, 'SIGKILL');
      } catch {
        // It went by itself.
      }
    }
  }
}
