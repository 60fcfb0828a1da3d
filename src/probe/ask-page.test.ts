import { describe, expect, it } from 'vitest';
import { askingOf, planOf } from '@/core/observation/asking';
import { owedAnswers } from '@/core/observation/owed-answers';
import type { SweepMessage } from '@/core/observation/sweep-message';
import { targetId } from '@/core/target/target';
import { askTarget, PageLost } from './ask-page';
import type { AskablePage } from './askable-page';

const asking = askingOf('<input type=date name=a><input type=date name=b><input type=date name=c>', [
  'message',
  'opening',
]);
const provenance = { mark: 'captured', browser: 'made up', events: 'trusted' } as const;

/** Asks a page that is lost at its nth question after a window, once for each number given. */
async function ask(lostAt: readonly number[], isSettled = false) {
  const messages: SweepMessage[] = [];
  const pages: number[] = [];
  const { ended } = await askTarget(
    targetId('made-up'),
    asking,
    async (work) => {
      const most = lostAt[pages.length] ?? Number.POSITIVE_INFINITY;
      const at = pages.push(0) - 1;
      const page = {
        probe: async (method: string) => (method === 'describe' ? [] : null),
        window: async () => {
          pages[at] = (pages[at] ?? 0) + 1;
          if ((pages[at] ?? 0) > most) throw new PageLost('The page went.', isSettled);
          return { status: 'failed', reason: 'No display.' };
        },
      } as unknown as AskablePage;
      await work(page, provenance, null);
    },
    provenance,
    (message) => messages.push(message),
    new AbortController().signal,
  );
  const observations = messages.flatMap((m) => (m.type === 'observation' ? [m.observation] : []));
  const owed = owedAnswers(asking);
  for (const one of observations) {
    expect(owed.isOwed(one.field, one)).toBe(true);
    owed.give(one);
  }
  expect(observations).toHaveLength(planOf(asking).length);
  return { ended, observations, pages, last: messages.at(-1) };
}

describe('a page that is lost', () => {
  it('is asked once more for what it still owes, and for that alone', async () => {
    const { ended, pages, observations } = await ask([1]);
    expect(ended).toBe('finished');
    // Of three dates one had answered; the two that were left were asked of the second page.
    expect(pages).toEqual([2, 2]);
    const reasons = observations.flatMap(({ outcome }) => ('reason' in outcome ? [outcome.reason] : []));
    expect(reasons).not.toContain('The page went.');
  });

  it('twice fails what is still owed, and says that it was asked twice', async () => {
    const { ended, last, observations } = await ask([1, 1]);
    expect(ended).toBe('failed');
    expect(last).toMatchObject({ type: 'failed', reason: 'The page went. It was asked twice.' });
    const lost = observations.filter(
      ({ outcome }) => outcome.status === 'failed' && outcome.reason.startsWith('The page went.'),
    );
    expect(lost.map(({ question, field }) => `${question} ${field}`)).toEqual(['opening c']);
  });

  it('for a reason that stays is not asked again', async () => {
    const { ended, pages, last } = await ask([1], true);
    expect([ended, pages]).toEqual(['failed', [2]]);
    expect(last).toMatchObject({ reason: 'The page went.' });
  });
});
