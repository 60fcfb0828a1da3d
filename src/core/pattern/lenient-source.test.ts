import { describe, expect, it } from 'vitest';
import { lenientSource } from './lenient-source';
import { patternTable } from './pattern-table';
import { acceptsText } from './table';

describe('a pattern for the beginnings of what another matches', () => {
  it.each([
    ['', ''],
    ['a', 'a?'],
    ['abc', '(?:a(?:bc?)?)?'],
    ['a|bc', 'a?|(?:bc?)?'],
    ['\\.\\d', '(?:\\.\\d?)?'],
    // What is repeated may end anywhere within.
    ['a{3}', 'a{0,3}'],
    ['a*b', 'a*b?'],
    ['a+b', 'a*|a+b?'],
    ['a{2,}b', 'a*|a{2,}b?'],
    ['a{1}b', 'a?|a{1}b?'],
    ['a{0}b', '|a{0}b?'],
    ['a?b?', 'a?|a?b?'],
    ['[A-Z]{2}[0-9]', '[A-Z]{0,2}|[A-Z]{2}[0-9]?'],
    ['(?:ab)*', '(?:ab)*(?:ab?)?'],
    ['(?:ab)?c', '(?:ab?)?|(?:ab)?c?'],
    ['(?:ab){2,3}c', '(?:ab){0,2}(?:ab?)?|(?:ab){2,3}c?'],
    ['(?:a|bc){2}', '(?:a|bc){0,1}(?:a?|(?:bc?)?)'],
    ['(?:a|b)c', 'a?|b?|(?:a|b)c?'],
    ['(a)b|c', 'a?|(a)b?|c?'],
    ['x(?:a|b)', '(?:x(?:a?|b?))?'],
    // What is one group already is put into no other one; what only begins with one is.
    ['xy(?:a|b)', '(?:x(?:y(?:a?|b?))?)?'],
    ['xy\\)(?:a|b)', '(?:x(?:y(?:\\)(?:a?|b?))?)?)?'],
    ['xy\\((?:a|b)', '(?:x(?:y(?:\\((?:a?|b?))?)?)?'],
    ['x(?:ab)?c', '(?:x(?:(?:ab?)?|(?:ab)?c?))?'],
    ['xa+b', '(?:x(?:a*|a+b?))?'],
  ])('of %s is %s', (source, lenient) => {
    expect(lenientSource(source)).toBe(lenient);
    // Every beginning of a text that is accepted stands.
    const [rule, live] = [source, lenient].map((one) => patternTable({ source: one, match: 'whole' }));
    if (rule?.status !== 'known' || live?.status !== 'known') throw new Error(source);
    for (const text of [
      '',
      'a',
      'ab',
      'abab',
      'ababab',
      'abc',
      'aaa',
      'aab',
      'AB1',
      '.5',
      'xa',
      'bc',
      'bca',
      'c',
      'ac',
    ])
      if (acceptsText(rule.table, text))
        for (let length = 0; length <= text.length; length++)
          expect([text.slice(0, length), acceptsText(live.table, text.slice(0, length))]).toEqual([
            text.slice(0, length),
            true,
          ]);
  });

  it.each([
    '(?=a)b',
    '(?<!a)b',
    '(a)\\1',
    '^ab$',
    'a\\bb',
    '(',
    '\\p{RGI_Emoji}a',
    '[\\q{ab}]c',
    'a'.repeat(2001),
  ])('is none of %s', (source) => {
    expect(lenientSource(source)).toBeNull();
  });

  it('is read beside patterns of up to two thousand characters', () => {
    expect(lenientSource('a'.repeat(1998).concat('*?'))).not.toBeNull();
  });
});
