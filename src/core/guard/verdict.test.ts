import { expect, it } from 'vitest';
import { GaveUp } from '../regexp/budget';
import { judgementOf } from './verdict';

it('a judgement that takes too many steps is not worked out, and a mistake stays one', () => {
  const accepted = { verdict: 'accepted', by: [] } as const;
  expect(judgementOf(() => accepted)).toBe(accepted);
  const throwing = (error: Error) => () => {
    throw error;
  };
  expect(judgementOf(throwing(new GaveUp('too many states')))).toEqual({
    verdict: 'not worked out',
    by: [{ code: 'not worked out', why: 'too many states' }],
  });
  expect(() => judgementOf(throwing(new Error('a mistake')))).toThrow('a mistake');
});
