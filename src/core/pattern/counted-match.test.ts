import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matchesByDefinition } from '../../../tests/fixtures/pattern-by-definition';
import { anyPattern, anyText } from '../../../tests/fixtures/patterns';
import { doublingSteps } from './blow-up';
import { countedMatch } from './counted-match';
import { slowText } from './slow-text';

describe('a match that is counted', () => {
  it('comes out as the standard defines it', () => {
    fc.assert(
      fc.property(anyPattern, anyText, (source, text) => {
        const counted = countedMatch(source, text, 20_000);
        if (counted === null || counted.matches === null) return;
        expect([source, text, counted.matches]).toEqual([
          source,
          text,
          matchesByDefinition(source, 'whole', text),
        ]);
      }),
      { numRuns: 3000 },
    );
  });

  it.each([
    ['a(?=b)b', 'ab', true],
    ['\\bab\\b', 'ab', true],
    ['(?!ab)[ab]+', 'ab', false],
    ['a{2,3}?', 'aaa', true],
    ['(?:a?){3}', 'a', true],
    ['😀+', '😀😀', true],
  ])('%s over %s: %s', (source, text, matches) => {
    expect(countedMatch(source, text, 1000)).toMatchObject({ matches });
  });

  it('is given up after so many steps', () => {
    expect(countedMatch('(a+)+b', 'a'.repeat(40), 5000)).toEqual({ matches: null, steps: 5001 });
  });

  it.each(['(a)\\1', '[\\q{ab}]', '(?<=a)b', '(', '\\p{RGI_Emoji}'])('is not followed for %s', (source) => {
    expect(countedMatch(source, 'a', 100)).toBeNull();
  });
});

describe('steps that double', () => {
  it.each(['(a+)+', '(?:[a-z]+ ?)*', '(\\w+)+@x', '(?:a|a)*', '(?:\\d|\\w)*-', '(a*)*b'])(
    'are found in %s',
    (source) => {
      const found = doublingSteps(source, Number.POSITIVE_INFINITY);
      if (!found) throw new Error('none');
      // The engine itself takes longer and longer too, and ends in the same way.
      expect(new RegExp(`^(?:${source})$`, 'v').test(slowText(found.text, 8))).toBe(false);
      expect(found.steps.map(([times]) => times)).toEqual([8, 12, 16]);
    },
  );
  it.each(['[a-z]+@[a-z]+', '(?:[a-z]+-)*[a-z]+', '\\d+\\d+', '(?:ab|cd)*', '[A-Z]{3}-[0-9]{2}', 'a*a*a*'])(
    'are none in %s',
    (source) => {
      expect(doublingSteps(source, Number.POSITIVE_INFINITY)).toBeNull();
    },
  );
  it('are none where no such text can be entered', () => {
    expect(doublingSteps('(a+)+', 12)).toBeNull();
  });
});
