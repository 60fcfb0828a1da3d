import { describe, expect, it } from 'vitest';
import type { Failure } from '../observation/failure';
import { failureSchema } from '../observation/failure-schema';
import { failureText } from './failure-words';

const [chromium, said] = [{ engine: 'Chromium' }, { said: 'no such file' }];
const lost: Failure = { code: 'ended', ...chromium };

/** One of each code; typed by code, so that a new one has to be told here too. */
const every: { readonly [Code in Failure['code']]: Failure & { readonly code: Code } } = {
  'engine unknown': { code: 'engine unknown', name: 'x' },
  'engines file': { code: 'engines file', path: '/etc/engines.json', fault: { code: 'no JSON' } },
  'engine missing': {
    code: 'engine missing',
    ...chromium,
    packages: ['chromium'],
    variable: 'UKKO_CHROMIUM',
  },
  'no engine here': { code: 'no engine here', packages: ['chromium'] },
  'keyboard missing': { code: 'keyboard missing', packages: ['sway', 'grim'] },
  'accessibility bus missing': { code: 'accessibility bus missing', packages: ['at-spi2-core'] },
  'display missing': { code: 'display missing', packages: ['xvfb'] },
  'endpoint silent': { code: 'endpoint silent', ...chromium },
  'endpoint not held': { code: 'endpoint not held', ...chromium },
  'no session': { code: 'no session', ...chromium, ...said },
  'no start': { code: 'no start', ...chromium, ...said },
  'phone no start': { code: 'phone no start', ...chromium, ...said },
  'phone display no start': { code: 'phone display no start', ...said },
  'phone display empty': { code: 'phone display empty' },
  'programs gone': { code: 'programs gone', ...chromium },
  'no window': { code: 'no window', ...chromium },
  silent: { code: 'silent', ...chromium, within: 15 },
  'not loaded': { code: 'not loaded', ...chromium, within: 15 },
  ended: { code: 'ended', ...chromium },
  'page crashed': { code: 'page crashed', ...chromium },
  'page left': { code: 'page left', ...chromium },
  'script threw': { code: 'script threw', ...chromium, ...said },
  'protocol error': { code: 'protocol error', ...chromium, ...said },
  covered: { code: 'covered', field: 'Depth', taps: 3 },
  'kind withheld': { code: 'kind withheld' },
  'page fault': { code: 'page fault', fault: { code: 'no http' } },
  'led away': { code: 'led away', fault: { code: 'not listed', origin: 'https://a.test' } },
  'form gone': { code: 'form gone' },
  'button gone': { code: 'button gone' },
  'button unseen': { code: 'button unseen' },
  'step found nothing': { code: 'step found nothing', step: 'click', about: 'Sign in', within: 10 },
  'probe not loaded': { code: 'probe not loaded' },
  'server away': { code: 'server away' },
  'server silent': { code: 'server silent' },
  cancelled: { code: 'cancelled' },
  'keyboard cut short': { code: 'keyboard cut short' },
  'sending cut short': { code: 'sending cut short' },
  'sending cancelled': { code: 'sending cancelled' },
  'page unread': { code: 'page unread' },
  'nothing sent': { code: 'nothing sent' },
  'server refused': { code: 'server refused', refusal: { code: 'sweeps full', most: 3 } },
  'not worked out': { code: 'not worked out', why: 'too many steps' },
  mistake: { code: 'mistake', said: 'TypeError: x' },
  'asked twice': { code: 'asked twice', because: lost },
  'field never ends': { code: 'field never ends', because: { code: 'asked twice', because: lost } },
  'form not filled': { code: 'form not filled', because: lost },
  older: { code: 'older', text: 'Chromium was asleep.' },
};

describe('why an answer failed', () => {
  it.each(Object.values(every))('$code is told in whole sentences, and read back from a file', (failure) => {
    expect(failureText(failure)).toMatch(/^[A-Z0-9][\s\S]+[.a-z]$/);
    expect(failureText(failure)).not.toMatch(/undefined|\[object|\.\./);
    expect(failureSchema.validateSync(JSON.parse(JSON.stringify(failure)), { strict: true })).toEqual(
      failure,
    );
  });

  it('names the packages, and what led to what', () => {
    expect(failureText(every['engine missing'])).toBe(
      'Chromium is not on this machine. Install it with “apt-get install chromium”, or set UKKO_CHROMIUM to its path.',
    );
    expect(failureText(every['field never ends'])).toBe(
      'Chromium went away in the middle of the work. It was asked twice. Check whether a script of the page never ends over this field.',
    );
    expect(failureText(every['led away'])).toContain('https://a.test is not on this machine');
  });

  it.each([
    { code: 'ended' },
    { code: 'ended', engine: 'Chromium', more: 1 },
    { code: 'unheard of' },
    { code: 'constructor' },
    { code: 'asked twice', because: { code: 'nothing' } },
    { code: 'not worked out', why: 'tired' },
    'gone',
    null,
  ])('%o is none', (value) => {
    expect(failureSchema.isValidSync(value, { strict: true })).toBe(false);
  });
});
