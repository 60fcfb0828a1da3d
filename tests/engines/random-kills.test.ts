import { setTimeout as wait } from 'node:timers/promises';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askingOf, planOf } from '@/core/questions/asking';
import { enginesAvailable } from '../fixtures/engines';
import { ask, browsers, kill, ownTargets, profiles } from './asking-engines';

const here = await enginesAvailable();
const asking = askingOf(
  '<form><input type=date name=date required><input type=number name=level><select name=island><option>Hesten</select></form>',
  ['look', 'message'],
);

/** Moments in ms after the start of a sweep, from before the first browser is up until after the last has ended. */
const moments = fc.sample(
  fc.noBias(fc.tuple(fc.nat({ max: 8000 }), fc.double({ min: 0, max: 0.999, noNaN: true }))),
  {
    numRuns: 5,
    seed: Date.now(),
  },
);

describe.skipIf(!here)('an engine killed at a random moment of a sweep over three', () => {
  it.each(moments)('costs no answer, and leaves nothing running: after %i ms', async (moment, which) => {
    let ended = false;
    const killing = (async () => {
      await wait(moment);
      for (; !ended; await wait(20)) {
        const ids = browsers();
        const victim = ids[Math.floor(which * ids.length)];
        if (victim === undefined) continue;
        kill(victim);
        return;
      }
    })();
    const { observations, messages } = await ask(ownTargets, asking);
    ended = true;
    await killing;
    const byTarget = ownTargets.map(({ id }) => observations.filter(({ target }) => target === id));
    expect(byTarget.map((list) => list.length)).toEqual(ownTargets.map(() => planOf(asking).length));
    expect(observations.filter(({ outcome }) => outcome.status === 'failed')).toEqual([]);
    expect(messages.filter(({ type }) => type === 'finished')).toHaveLength(ownTargets.length);
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  });
});
