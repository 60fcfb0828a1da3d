import { describe, expect, it } from 'vitest';
import { EngineLost } from './engine';
import { onceMore } from './once-more';

/** A work that throws so often before it succeeds, and how often it was done. */
function failing(
  times: number,
  error: () => Error = () => new EngineLost({ code: 'no window', engine: 'Late' }),
) {
  let done = 0;
  const work = async () => {
    done++;
    if (done <= times) throw error();
    return done;
  };
  return { work, done: () => done };
}

describe('what is done once more', () => {
  it('is what lost its engine, and only once', async () => {
    expect(await onceMore(failing(0).work)).toBe(1);
    expect(await onceMore(failing(1).work)).toBe(2);
    const broken = failing(9);
    await expect(onceMore(broken.work)).rejects.toThrow('Late');
    expect(broken.done()).toBe(2);
  });

  it('is neither a mistake of Ukko’s nor what would fail again', async () => {
    for (const error of [
      () => new TypeError('no'),
      () => new EngineLost({ code: 'kind withheld' }, { isSettled: true }),
    ]) {
      const broken = failing(1, error);
      await expect(onceMore(broken.work)).rejects.toThrow();
      expect(broken.done()).toBe(1);
    }
  });

  it('is nothing once nobody waits for it', async () => {
    const abort = new AbortController();
    abort.abort();
    const broken = failing(1);
    await expect(onceMore(broken.work, abort.signal)).rejects.toThrow(/aborted/);
    expect(broken.done()).toBe(1);
  });
});
