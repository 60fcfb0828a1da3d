import { describe, expect, it } from 'vitest';
import { askingOf } from '../questions/asking';
import { type Observation, observationKey } from '../questions/observation';
import { defaultLineUp } from '../target/line-up';
import type { ModelTarget } from '../target/target';
import { askModels } from './ask-models';
import { keepingUnchanged } from './keep-unchanged';
import type { SweepMessage } from './sweep-message';

const targets = defaultLineUp.targets.filter((one): one is ModelTarget => one.ask === 'model');
const markup = '<form><label>A <input name=a required></label><button>Go</button></form>';
const page = { address: 'http://localhost:5173/', form: 0, steps: '' };

async function told(
  earlier: readonly Observation[],
  { asked = markup, who = '', from = targets, own = false } = {},
): Promise<{ answers: Observation[]; asked: string[]; messages: SweepMessage[] }> {
  const messages: SweepMessage[] = [];
  const times: string[] = [];
  const models = askModels(() => new Date(2026, 2, 14));
  const ask = keepingUnchanged<ModelTarget>(
    (some, ...more) => {
      times.push(...some.map(({ id }) => id));
      return models(some, ...more);
    },
    earlier,
    who,
  );
  const asking = askingOf(asked, ['look', 'message', 'parts'], {}, null, own ? page : null);
  await ask(from, asking, (message) => messages.push(message), new AbortController().signal);
  return {
    answers: messages.flatMap((one) => (one.type === 'observation' ? [one.observation] : [])),
    asked: times,
    messages,
  };
}

describe('an observer whose answers change with any edit', () => {
  it('is not asked again about the very same page, and its answers stay as they were', async () => {
    const first = await told([]);
    expect(first.asked).toEqual(targets.map(({ id }) => id));
    const again = await told(first.answers);
    const byKey = (all: readonly Observation[]) => new Map(all.map((one) => [observationKey(one), one]));
    expect([again.asked, byKey(again.answers)]).toEqual([[], byKey(first.answers)]);
    for (const { id: target } of targets)
      expect(again.messages.filter((one) => 'target' in one && one.target === target)).toEqual([
        { type: 'started', target, total: first.answers.length / targets.length },
        { type: 'finished', target },
      ]);
  });

  it.each<[string, Parameters<typeof told>[1]]>([
    ['about an edited page', { asked: markup.replace('required', '') }],
    ['where it is another one', { who: 'another browser' }],
    ['where the target is another one', { from: targets.map((one) => ({ ...one, name: 'Mine' })) }],
    ['about a page of one’s own', { own: true }],
  ])('is asked %s', async (_, change) => {
    const first = await told([]);
    expect((await told(first.answers, change)).asked).toEqual(targets.map(({ id }) => id));
  });

  it('is asked everything where an answer is missing or failed, of that target alone', async () => {
    const { answers } = await told([]);
    const [first] = targets;
    const missing = answers.filter(({ target, question }) => target !== first?.id || question !== 'parts');
    expect((await told(missing)).asked).toEqual([first?.id]);
    const failed = answers.map((one) =>
      one.target === first?.id && one.question === 'message'
        ? ({ ...one, outcome: { status: 'failed', failure: { code: 'server silent' } } } as Observation)
        : one,
    );
    expect((await told(failed)).asked).toEqual([first?.id]);
  });
});
