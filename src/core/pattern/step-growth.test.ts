import { describe, expect, it } from 'vitest';
import { slowText } from './slow-text';
import { growthOfSteps, type StepGrowth } from './step-growth';

const growth = (source: string, longest = Number.POSITIVE_INFINITY): StepGrowth | null =>
  growthOfSteps({ source, match: 'whole' }, longest);

/** What each pattern does was told from how it is made, before it was tried. */
const exponential = [
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
  '(?:a?){25}a{25}',
  '(?:a{1,20}){1,20}b',
  '(?:(?:ab){1,10}){1,10}c',
  '(?:ab|a|b)*c',
  '(?:ab|abab)+c',
  '(?:aab|aa|b)+!',
  '(?:[a-z]+[a-z0-9]*)+-',
  '(?:[a-zA-Z0-9]+\\s?)+;',
  '([\\w.]+)+@\\w+',
  '(?:"[^"]*"|[^,]+,?)*;',
  '(?:\\s*\\w+\\s*)*;',
  '(?:(?:\\d+,?)+\\.?)+x',
  '(?:.+)+:',
  '(?:.*,)*:',
  '(?:.*.*)*=',
  '([^@]+|@)+#!',
  '(?:é|e\\u0301|[^x])+x{3}',
  '(?=(a+)+b)a',
  'x(?:y*z*)*!',
  '(?:(?:a|b)*|c)*d',
  '(?:a|b|ab)*(?:bc|c)',
  '(?:-?[0-9]+)*[.]',
  '(?:[0-9]+-?)*[.]',
  '(?:<[^>]+>|[^<]|<)*#{2}',
  '(?:\\p{L}+|\\p{Lu}\\p{Ll}*)+!',
  '(?:[A-Z][a-z]*|[A-Za-z]+)+\\d',
  '(?:a{2}|a{3})*b',
  '(?:a{0,5}){8,30}b',
  '(?:\\w\\w|\\w)+[.]{2}',
];
const ofPower: readonly (readonly [source: string, power: number])[] = [
  ['\\d+\\d+', 2],
  ['a*a*a*', 3],
  ['\\s*\\s*x', 2],
  ['[a-z]*[a-z0-9]*-', 2],
  ['\\w+\\d+', 2],
  ['[^\\s@]+@[^\\s@]+\\.[^\\s@]+', 2],
  ['.*foo.*!', 2],
  ['.*,.*,.*;', 3],
  ['a+ba*b?a+!', 2],
  ['[ab]*[bc]*[cd]*e', 2],
  ['x*y?x*z', 2],
  ['(?:ab)*(?:ab)*c', 2],
  ['(?:ab)*a?(?:ba)*c', 2],
  ['\\d*\\.?\\d*,?\\d*x', 3],
  ['[a-z]+\\s*[a-z]*\\s*[a-z]*!', 3],
  ['.*a.*a.*a!', 3],
  ['a*(?:b|a)*a*c', 3],
  ['(?:a|b)*a(?:a|b)*!', 2],
  ['\\p{L}*\\p{Lu}*[0-9]', 2],
  ['-*[\\s\\-]*#', 2],
];
const linear = [
  '[a-z]+@[a-z]+',
  '(?:[a-z]+-)*[a-z]+',
  '(?:ab|cd)*',
  '[A-Z]{3}-[0-9]{2}',
  '(?:[^@]+@)+[^@]+',
  '\\d{4}-\\d{2}-\\d{2}',
  "[A-Za-z]+(?:[ '-][A-Za-z]+)*",
  '\\+?[0-9]{7,15}',
  '(?:\\d{4} ?){3}\\d{4}',
  '#[0-9a-fA-F]{6}',
  '(?:\\d{1,3}\\.){3}\\d{1,3}',
  '[^,]*(?:,[^,]*)*',
  '(?:a|b)*c',
  'a*b*c*d',
  '\\s*\\S+',
  '(?:[a-z0-9]+\\.)+[a-z]{2,}',
  "\\p{L}[\\p{L}\\p{M}' .-]{1,60}",
  '(?=.*\\d)(?=.*[a-z]).{8,}',
  '(?!.* {2})[a-z ]+',
  '[1-9]\\d*(?:\\.\\d{1,2})?',
  '[A-Z]{1,2}[0-9][A-Z0-9]? ?[0-9][A-Z]{2}',
  '(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?:,(?:Mon|Tue|Wed))*',
  '(?:https?://)?[a-z]+\\.[a-z]+',
  '(?:[01]\\d|2[0-3]):[0-5]\\d',
  'a{2,4}a{3}',
  '.*',
  '.+@.+',
  '(?:.*)',
  '(a)(b)?\\2',
  '',
];

describe('growth of steps', () => {
  it.each(exponential)('doubles in %s', (source) => {
    const found = growth(source);
    expect(found?.grows).toEqual({ by: 'doubling' });
    if (!found) return;
    // The engine itself ends in the same way, and steps are told for texts of equal steps in length.
    expect(new RegExp(`^(?:${source})$`, 'v').test(slowText(found.text, 4))).toBe(false);
    const times = found.steps.map(([count]) => count);
    expect(times).toEqual(times.map((_, at) => (at + 1) * (times[0] as number)));
  });

  it.each(ofPower)('is a power of the length in %s: %d', (source, power) => {
    expect(growth(source)?.grows).toEqual({ by: 'power', power });
  });

  it.each([4, 5, 6, 16, 20, 30, 40])(
    'is no less of a power where it is a higher one: %d repetitions in a row',
    (count) => {
      const grows = growth(`${'a*'.repeat(count)}b`)?.grows;
      expect(grows).toMatchObject({ by: 'power' });
      expect(grows?.by === 'power' ? grows.power : 0).toBeGreaterThanOrEqual(3);
      expect(grows?.by === 'power' ? grows.power : 0).toBeLessThanOrEqual(count);
    },
  );

  it.each(['\\w*\\w*\\w*\\w*x', '[a-z]+[a-z]+[a-z]+[a-z]+[0-9]', '.*,.*,.*,.*,.*,.*;', '(?:a*b?){5}c'])(
    'is found however high its power is: %s',
    (source) => {
      expect(growth(source)).not.toBeNull();
    },
  );

  it.each(linear)('is in proportion to the length in %s', (source) => {
    expect(growth(source)).toBeNull();
  });

  it('is none where no such text can be entered', () => {
    expect(growth('(a+)+', 6)).toBeNull();
    expect(growth('a*a*a*', 20)).toBeNull();
  });

  it.each(['([xy])\\1(?:a+)+b', '(\\w)\\1(?:[a-z]+-?)+!'])(
    'is found by typical pieces where no automaton can be drawn: %s',
    (source) => {
      expect(growth(source)?.grows).toEqual({ by: 'doubling' });
    },
  );

  it('is not there where a part of the text is enough, and that is found at once', () => {
    const part = (source: string) => growthOfSteps({ source, match: 'part' }, Number.POSITIVE_INFINITY);
    expect([part('(?:a+)+'), part('(?:a+)+b')?.grows]).toEqual([null, { by: 'doubling' }]);
  });

  it('is told from the length on at which somebody notices it', () => {
    const found = Array.from({ length: 40 }, (_, longest) => growth('(?:a+)+b', longest));
    const first = found.findIndex((one) => one !== null);
    expect(found.slice(first)).not.toContain(null);
    const most = (one: StepGrowth | null | undefined) =>
      Math.max(...(one?.steps ?? []).map(([, steps]) => steps));
    expect(most(found[first])).toBeGreaterThanOrEqual(10_000);
    // One step more in length is twice the work: what was let go before was half of it.
    expect(most(found[first])).toBeLessThan(2 * 2 * 10_000);
  });

  it.each(['(?:a*a*x|b*b*b*y)', '(?:b*b*b*y|a*a*x)'])('is the worst of several: %s', (source) => {
    expect(growth(source)?.grows).toEqual({ by: 'power', power: 3 });
  });

  it('is counted over texts that can be entered, to the longest of them', () => {
    const last = (longest: number) => growth('x*x*y', longest)?.steps.at(-1)?.[0];
    const { text } = growth('x*x*y') as StepGrowth;
    const whole = slowText(text, 256).length;
    expect([whole, whole - 1].map(last)).toEqual([256, 128]);
  });

  it('is none of what does not compile', () => {
    expect(growth('(')).toBeNull();
  });
});
