import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askingOf, planOf } from '@/core/questions/asking';
import { answerBases, type EarlierAnswer } from '@/core/sweep/answer-basis';
import { earlierAnswers } from '@/core/sweep/earlier-answers';
import { owedAnswers } from '@/core/sweep/owed-answers';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { targetId } from '@/core/target/target';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { AskablePage } from './api/askable-page';
import type { ProbeField } from './api/probe-api';
import { askTarget } from './ask-page';
import { attempts, Losses } from './losses';
import { PageLost } from './page-lost';

const names = ['a', 'b', 'c', 'd'];
const asking = askingOf(`${names.map((name) => `<input type=date name=${name}>`).join('')}<button>Send`, [
  'message',
  'opening',
  'submission',
]);
const provenance = { mark: 'captured', browser: 'made up', events: 'trusted' } as const;
const box = { x: 0, y: 0, width: 100, height: 20 };

/** What is done to which fields of the page, by the place of each in it. */
interface Deed {
  readonly method: string;
  readonly ordinals: readonly number[];
  /** How many pages came before this one. */
  readonly earlier: number;
}

/** Asks a page that is lost over some of what is done to it. */
async function ask(isLostOver: (deed: Deed) => boolean, how: ConstructorParameters<typeof PageLost>[1] = {}) {
  const messages: SweepMessage[] = [];
  let pages = 0;
  const { ended } = await askTarget(
    targetId('made-up'),
    asking,
    async (work) => {
      const earlier = pages++;
      const page = {
        probe: async (method: string, given?: ProbeField | readonly ProbeField[]) => {
          const ordinals = [given ?? []].flat().flatMap((field) => field.ordinals ?? []);
          if (isLostOver({ method, ordinals, earlier }))
            throw new PageLost({ code: 'older', text: 'The page went.' }, how);
          if (method === 'describe' || method === 'controlBoxes') return [];
          return method === 'bringIntoSight' || method === 'insideInViewport' ? box : null;
        },
        click: null,
        reload: async () => undefined,
        window: async () => ({
          status: 'there',
          viewport: { width: 800, height: 600 },
          appearing: async () => null,
          dismiss: async () => undefined,
        }),
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
    expect(owed.askedFor(one.field, one)).not.toBeNull();
    owed.give(one);
  }
  expect(observations).toHaveLength(planOf(asking).length);
  const failed = observations.flatMap(({ question, field, outcome }) =>
    outcome.status === 'failed' ? [`${question} ${field}: ${failureText(outcome.failure)}`] : [],
  );
  return { ended, pages, failed, last: messages.at(-1) };
}

const twice = 'The page went. It was asked twice.';
const unfilled = 'The form cannot be filled in, because one of its fields cannot be asked.';
const button = 'submission button-5';

describe('what is there of an earlier sweep', () => {
  /** Asks a page in which something reaches each field; `changed` are fields that something else reaches than before. */
  async function sweep(answers: readonly EarlierAnswer[], changed: readonly string[] = [], page = markup) {
    const messages: SweepMessage[] = [];
    const asked = askingOf(page, ['message', 'opening', 'submission']);
    let pages = 0;
    const told = {
      common: '',
      styles: [],
      fields: asked.fields.map(({ name }) => textsOf(changed.includes(name))),
    };
    await askTarget(
      targetId('made-up'),
      asked,
      async (work) => {
        pages++;
        const probe = async (method: string) =>
          method === 'surroundings' ? told : method === 'describe' ? [] : null;
        const noWindow = { status: 'inapplicable', reason: { code: 'no room' } };
        await work(
          {
            probe,
            click: null,
            reload: async () => undefined,
            window: async () => noWindow,
          } as unknown as AskablePage,
          provenance,
          null,
        );
      },
      provenance,
      (message) => messages.push(message),
      new AbortController().signal,
      [],
      { answers, bases: answerBases(asked, { engine: 'e', version: '1', variant: plainVariant }) },
    );
    const line = ({ question, field }: { question: string; field: string }) => `${question} ${field}`;
    const given = messages.flatMap((m) => (m.type === 'observation' ? [m.observation] : []));
    const kept = messages.flatMap((m) => (m.type === 'kept' ? m.answers : []));
    const now = earlierAnswers(given).get(targetId('made-up')) ?? [];
    return {
      pages,
      given: given.map(line),
      kept: kept.map(line),
      now: [...kept, ...now],
      last: messages.at(-1),
    };
  }
  const markup = '<form><input name=a><input type=date name=b><button name=c>Send</button></form>';
  const textsOf = (isChanged: boolean) => ({
    near: isChanged ? 'else' : '',
    underBubble: '',
    underPopUp: '',
    styles: [],
  });

  it('is kept without opening a page where that is the same', async () => {
    const first = await sweep([]);
    expect([first.kept, first.given.length]).toEqual([[], 7]);
    const again = await sweep(first.now);
    expect(again).toMatchObject({ pages: 0, given: [], last: { type: 'finished' } });
    expect(again.kept).toEqual(first.given.toSorted((a, b) => again.kept.indexOf(a) - again.kept.indexOf(b)));
    // Once more, after a sweep that asked nothing and yet knows on what everything rests.
    const edited = await sweep(again.now, ['b'], markup.replace('date', 'week'));
    expect(edited.given.toSorted()).toEqual(['message b', 'opening b', 'submission c']);
  });

  it('is kept for every field that nothing else reaches, and the form is sent anew', async () => {
    const first = await sweep([]);
    const edited = await sweep(first.now, ['b'], `${markup}<p>`);
    expect(edited.given.toSorted()).toEqual(['message b', 'opening b', 'submission c']);
    expect(edited.kept.toSorted()).toEqual(['message a', 'message c', 'opening a', 'opening c']);
    expect((await sweep(edited.now, ['b'], `${markup}<p>`)).given).toEqual([]);
  });

  it('does not hold of a field that was not there', async () => {
    const first = await sweep([]);
    const edited = await sweep(first.now, ['d'], markup.replace('<button', '<input name=d><button'));
    expect(edited.given.toSorted()).toEqual(['message d', 'opening d', 'submission c']);
  });
});

describe('a page that is lost', () => {
  it('once is asked again for what it still owes', async () => {
    const all = await ask(({ earlier, ordinals }) => earlier === 0 && ordinals[0] === 1);
    expect(all).toMatchObject({ ended: 'finished', pages: 2, failed: [] });
  });

  it('over what is done to one field costs that one its answers, and the form nothing that it has sent by then', async () => {
    const over = await ask(({ method, ordinals }) => method === 'bringIntoSight' && ordinals[0] === 1);
    expect(over).toMatchObject({ ended: 'finished', pages: 3 });
    expect(over.failed).toEqual([`opening b: ${twice}`]);
  });

  it('over one of many fields that are filled at once is asked one by one, and costs the others nothing', async () => {
    const over = await ask(({ method, ordinals }) => method === 'fill' && ordinals.includes(2));
    expect(over).toMatchObject({ ended: 'finished', pages: 4 });
    expect(over.failed).toEqual([
      `message c: ${twice}`,
      `opening c: ${twice}`,
      `${button}: ${unfilled} ${twice}`,
    ]);
  });

  it('over a second field costs a question the fields that are left, and the other questions nothing', async () => {
    const over = await ask(({ method }) => method === 'bringIntoSight');
    expect(over).toMatchObject({ ended: 'finished', pages: 4 });
    expect(over.failed.map((line) => line.split(':')[0])).toEqual([
      'opening a',
      'opening b',
      'opening c',
      'opening d',
      'opening button-5',
    ]);
  });

  it('with its browser twice, or wherever it is asked, fails what is still owed and says that it was asked twice', async () => {
    const gone = await ask(({ ordinals }) => ordinals[0] === 1, { isGone: true });
    expect(gone).toMatchObject({
      ended: 'failed',
      pages: 2,
      last: { type: 'failed', failure: { code: 'asked twice' } },
    });
    const never = await ask(({ method }) => method === 'readsRightToLeft');
    expect(never).toMatchObject({
      ended: 'failed',
      pages: 2,
      last: { type: 'failed', failure: { code: 'asked twice' } },
    });
  });

  it('for a reason that stays is not asked again', async () => {
    const settled = await ask(() => true, { isSettled: true });
    expect(settled).toMatchObject({
      ended: 'failed',
      pages: 1,
      last: { failure: { code: 'older', text: 'The page went.' } },
    });
  });

  it('again and again, over whatever it is, ends, and nothing is left out that was asked only once', () => {
    const places = fc.constantFrom(
      ...(['look', 'parts'] as const).flatMap((question) =>
        [null, ...names].map((field) => ({ question, field })),
      ),
      null,
    );
    fc.assert(
      fc.property(fc.array(places, { minLength: 12, maxLength: 20 }), (list) => {
        const losses = new Losses();
        const seen: string[] = [];
        const ended = list.findIndex((place) => {
          seen.push(JSON.stringify(place));
          const next = losses.after(place as Parameters<Losses['after']>[0]);
          if (next.kind === 'without')
            expect(seen.filter((one) => one === JSON.stringify(place)).length).toBeGreaterThanOrEqual(
              attempts,
            );
          return next.kind === 'end';
        });
        expect(ended).toBeGreaterThan(0);
        expect(ended).toBeLessThan(8);
      }),
    );
  });
});
