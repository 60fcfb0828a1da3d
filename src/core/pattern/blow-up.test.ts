import { describe, expect, it } from 'vitest';
import { doublingSteps } from './blow-up';
import { slowText } from './slow-text';

describe('steps that double', () => {
  it.each([
    '(a+)+',
    '(?:[a-z]+ ?)*',
    '(\\w+)+@x',
    '(?:a|a)*',
    '(?:\\d|\\w)*-',
    '(a*)*b',
    '((a+)+)+',
    '(?:\\w*\\w+)+',
    '(?:(?:\\w+-?)+\\.?)+@x',
    '(?:x+x+)+y',
    '(a|aa)+',
  ])('are found in %s', (source) => {
    const found = doublingSteps(source, Number.POSITIVE_INFINITY);
    if (!found) throw new Error('none');
    // The engine itself takes longer and longer too, and ends in the same way.
    expect(new RegExp(`^(?:${source})$`, 'v').test(slowText(found.text, 8))).toBe(false);
    const times = found.steps.map(([count]) => count);
    expect(times).toEqual(times.map((_, at) => (at + 1) * (times[0] as number)));
    expect(times.length).toBeGreaterThanOrEqual(4);
  });

  it.each([
    '[a-z]+@[a-z]+',
    '(?:[a-z]+-)*[a-z]+',
    '\\d+\\d+',
    '(?:ab|cd)*',
    '[A-Z]{3}-[0-9]{2}',
    'a*a*a*',
    '(?:[^@]+@)+[^@]+',
  ])('are none in %s', (source) => {
    expect(doublingSteps(source, Number.POSITIVE_INFINITY)).toBeNull();
  });

  it('are none where no such text can be entered', () => {
    expect(doublingSteps('(a+)+', 6)).toBeNull();
  });
});
