import { Script } from 'node:vm';

const call = new Script('ukkoWork()');

/**
 * Runs work that may never come to its end, as a pattern that explodes does not, and stops it there.
 *
 * @param ms longest that it may take
 * @returns `late` where it was stopped. Throws whatever the work throws.
 */
export function withinDeadline(ms: number, work: () => void): 'done' | 'late' {
  Object.assign(globalThis, { ukkoWork: work });
  try {
    call.runInThisContext({ timeout: ms });
    return 'done';
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ERR_SCRIPT_EXECUTION_TIMEOUT') return 'late';
    throw error;
  } finally {
    Reflect.deleteProperty(globalThis, 'ukkoWork');
  }
}
