import { describe, expect, it } from 'vitest';
import { unlessAborted } from './unless-aborted';

const never = new Promise<string>(() => undefined);

describe('a promise for which nobody waits any more', () => {
  it('is rejected at once with the reason, before or after it was begun', async () => {
    const abort = new AbortController();
    const waiting = unlessAborted(never, abort.signal);
    abort.abort('left');
    await expect(waiting).rejects.toBe('left');
    await expect(unlessAborted(never, abort.signal)).rejects.toBe('left');
  });

  it('is what it is otherwise', async () => {
    const { signal } = new AbortController();
    await expect(unlessAborted(Promise.resolve('there'), signal)).resolves.toBe('there');
    await expect(unlessAborted(Promise.reject(new Error('broken')), signal)).rejects.toThrow('broken');
  });
});
