import { describe, expect, it } from 'vitest';
import { measuredAnswer } from '../../../tests/fixtures/measured-answer';
import type { AnswerBasis } from '../observation/outcome';
import type { Observation } from '../questions/observation';
import { earlierAnswers, withKeptAnswers } from './earlier-answers';
import type { SweepMessage } from './sweep-message';

const basis: AnswerBasis = { page: '0'.repeat(20), field: 'f'.repeat(20) };

const answer = (question: string, field: string, more: object = {}) =>
  measuredAnswer(question, field, { basis, ...more });

describe('earlier answers', () => {
  it('are sent by what they rest on: those that were had, of each target', () => {
    const { basis: _, ...unknown } = answer('message', 'b');
    const sent = earlierAnswers([
      answer('look', 'a', { state: 'closed' }),
      answer('message', 'a'),
      answer('message', 'a', { target: 'firefox' }),
      answer('message', 'c', { outcome: { status: 'failed', failure: { code: 'mistake', said: 'x' } } }),
      answer('keyboard', 'a'),
      unknown as Observation,
    ]);
    expect([...sent]).toEqual([
      [
        'chromium',
        [
          { field: 'a', question: 'look', state: 'closed', basis },
          { field: 'a', question: 'message', state: null, basis },
        ],
      ],
      ['firefox', [{ field: 'a', question: 'message', state: null, basis }]],
    ]);
  });

  it('that are kept are given as they were, with their date, on the basis that they have now', () => {
    const heard: SweepMessage[] = [];
    const earlier = [answer('message', 'a'), answer('look', 'a', { state: 'closed' })];
    const emit = withKeptAnswers(earlier, (message) => heard.push(message));
    const now: AnswerBasis = { page: '1'.repeat(20), field: basis.field };
    const kept = { field: 'a', question: 'message', state: null, basis: now };
    const gone = { field: 'gone', question: 'message', state: null, basis: now };
    const asked = { type: 'observation', observation: answer('bubble', 'a') } as const;
    emit({ type: 'kept', target: 'chromium', answers: [kept, gone] } as unknown as SweepMessage);
    emit(asked);
    expect(heard).toEqual([{ type: 'observation', observation: { ...earlier[0], basis: now } }, asked]);
  });
});
