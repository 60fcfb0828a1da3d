import { describe, expect, it } from 'vitest';
import { askingOf, planOf } from '../questions/asking';
import type { SweepMessage } from './sweep-message';
import { SweepPace } from './sweep-pace';

const plan = planOf(
  askingOf('<form><input name=a required><input name=b required><button>Go</button></form>', [
    'message',
    'bubble',
  ]),
);
const answer = (question: string, field: string) =>
  ({ type: 'observation', observation: { question, field } }) as unknown as SweepMessage;
const kept = (...of: [question: string, field: string][]) =>
  ({
    type: 'kept',
    answers: of.map(([question, field]) => ({ question, field })),
  }) as unknown as SweepMessage;

/** After these messages, so many ms after the beginning. */
function pace(messages: readonly SweepMessage[], after: number) {
  const followed = new SweepPace(plan, 1000);
  for (const message of messages) followed.hear(message);
  return followed.at(1000 + after);
}

describe('how far a target is', () => {
  it('is told by what was answered last, and how much there is', () => {
    expect(pace([], 5000)).toEqual({ done: 0, total: 6, last: null, left: null });
    expect(pace([answer('message', 'a')], 5000)).toMatchObject({
      done: 1,
      last: { question: 'message', field: 'a' },
    });
  });

  it('is told in time where enough was asked: bubbles take longer than words', () => {
    const words = ['a', 'b', 'go'].map((field) => answer('message', field));
    // Of 45.3 parts of the work 0.3 are done.
    expect(pace(words, 1000).left).toBeNull();
    const one = pace([...words, answer('bubble', 'a')], 15_300);
    expect(one.left).toBeCloseTo(30_000, -1);
    expect(pace([...words, answer('bubble', 'a'), answer('bubble', 'b')], 6060).left).toBeCloseTo(3000, -1);
  });

  it('counts what an earlier sweep gave as done, and not as work', () => {
    const before = kept(['message', 'a'], ['bubble', 'a'], ['message', 'b'], ['bubble', 'b']);
    expect(pace([before], 1000)).toEqual({ done: 4, total: 6, last: null, left: null });
    expect(pace([before, answer('message', 'go'), answer('bubble', 'go')], 1000)).toMatchObject({
      done: 6,
      left: 0,
    });
    const all = kept(...plan.map(({ question, field }): [string, string] => [question, field]));
    expect(pace([all], 10)).toEqual({ done: 6, total: 6, last: null, left: 0 });
  });
});
