import { describe, expect, it } from 'vitest';
import { slowTexts } from '@/core/pattern/blow-up';
import { engines } from '@/engines/engines';
import { measureSlowness } from '@/engines/measure-slowness';
import { enginesAvailable } from '../fixtures/engines';
import { profiles } from './asking-engines';

const here = await enginesAvailable();

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)('a pattern timed in %s', (name) => {
  const ask = (source: string, signal = new AbortController().signal) => {
    const [text = { before: '', again: 'a', after: '!' }] = slowTexts(source);
    return measureSlowness(engines[name], { pattern: { source, match: 'whole' }, text }, signal);
  };

  it('shows that its time doubles, or stays in proportion, and leaves nothing behind', async () => {
    const slow = await ask('(?:[a-z]+)+');
    expect(slow).toMatchObject({ type: 'answer', version: expect.stringMatching(/\d/) });
    // WebKit gives up by itself after so many ways.
    if (slow.type === 'answer' && name !== 'webkit') expect(slow.growth.grows).toBe('doubles');
    if (slow.type === 'answer') expect(slow.growth.took.length).toBeGreaterThan(2);
    const fast = await ask('[a-z]+-[0-9]{2}');
    expect(fast).toMatchObject({ type: 'answer', growth: { grows: 'in proportion' } });
    expect(profiles()).toEqual([]);
  });

  it('that is cancelled says so and leaves nothing behind', async () => {
    const abort = new AbortController();
    const asking = ask('(?:[a-z]+)+', abort.signal);
    abort.abort();
    expect(await asking).toMatchObject({ type: 'failed' });
    expect(profiles()).toEqual([]);
  });
});
