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

// Each waits for a browser that might be ending; together they wait once.
it.concurrent.each([
  ['Protocol error (script.evaluate): unknown error execution contexts cleared', /the page was left/],
  ['Protocol error (script.evaluate): Cannot find context with specified id', /the page was left/],
  ['Frame detached. at http://127.0.0.1/', /the page was left/],
  ['Page crashed!', /^Firefox did not answer: the page crashed/],
  ['Execution context was destroyed', /^Firefox did not answer: the page was left/],
  ['Error: the probe is gone', /^Firefox did not answer: the page was left/],
  ['Callback was not called before the unload event.', /^Firefox did not answer: the page was left/],
  [
    new TypeError('Map is not a constructor'),
    /script failed in the page \(Map is not a constructor\)\. Check whether/,
  ],
])('“%s” is told as what it is', async (thrown, sentence) => {
  const failing = orLost(
    'Firefox',
    () => true,
    () => Promise.reject(typeof thrown === 'string' ? new Error(thrown) : thrown),
  );
  await expect(failing).rejects.toThrow(EngineLost);
  await expect(failing).rejects.toThrow(sentence);
});

const fails = (message: string) => () => Promise.reject(new Error(message));
const gone = /went away in the middle/;

it('an endpoint that knows no session any more has gone', async () => {
  await expect(orLost('Next room', () => true, fails('invalid session id'))).rejects.toThrow(gone);
});

it.each(['Page crashed!', 'Chromium does not show its window on the display.', 'no image at this place'])(
  'a browser that ends a moment after “%s” has gone',
  async (message) => {
    let looks = 0;
    const isThere = () => looks++ < 3;
    await expect(orLost('Chromium', isThere, fails(message))).rejects.toMatchObject({ isGone: true });
  },
);
