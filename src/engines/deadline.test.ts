import { describe, expect, it } from 'vitest';
import { firstLine, orLost } from './deadline';
import { EngineLost } from './engine';

describe('what went wrong, in one line', () => {
  it.each([
    [new Error('one\ntwo'), 'one'],
    ['plain', 'plain'],
    [{ type: 'error', error: new Error('connect ECONNREFUSED') }, 'connect ECONNREFUSED'],
    [{ message: '', code: 'ECONNRESET' }, 'ECONNRESET'],
    [{ reason: { message: 'gone' } }, 'gone'],
    [{ type: 'close' }, 'close'],
    [{}, 'it said nothing of why'],
    [undefined, 'undefined'],
    [new Error(''), 'it said nothing of why'],
  ])('%o: %s', (thrown, line) => {
    expect(firstLine(thrown)).toBe(line);
    expect(firstLine(thrown)).not.toContain('[object');
  });
});

it.each([
  ['Page crashed!', /^Firefox did not answer: the page crashed/],
  ['Execution context was destroyed', /^Firefox did not answer: the page was left/],
])('“%s” is told as what it is', async (message, sentence) => {
  const failing = orLost(
    'Firefox',
    () => true,
    () => Promise.reject(new Error(message)),
  );
  await expect(failing).rejects.toThrow(EngineLost);
  await expect(failing).rejects.toThrow(sentence);
});
