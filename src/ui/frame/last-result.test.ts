import { expect, it } from 'vitest';
import { lastResult } from './last-result';

it('gives the very same result for the same question, and makes it anew for another', () => {
  const made: string[] = [];
  const list = lastResult((text: string, count: number) => {
    made.push(text);
    return Array<string>(count).fill(text);
  });
  const first = list('a', 2);
  expect(list('a', 2)).toBe(first);
  expect(list('a', 3)).toEqual(['a', 'a', 'a']);
  // Only the last one is kept.
  expect(list('a', 2)).not.toBe(first);
  expect(made).toEqual(['a', 'a', 'a']);
});

it('keeps a result that is nothing', () => {
  let made = 0;
  const none = lastResult((_: number) => {
    made++;
    return null;
  });
  none(Number.NaN);
  none(Number.NaN);
  expect(made).toBe(1);
});
