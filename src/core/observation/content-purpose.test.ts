import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askedText, contentHints, hintsOf } from './content-purpose';

describe('what an engine asks for', () => {
  it('has one bit for each hint', () => {
    fc.assert(
      fc.property(fc.subarray([...contentHints]), (hints) => {
        const bits = hints.reduce((sum, hint) => sum + 2 ** contentHints.indexOf(hint), 0);
        expect(hintsOf(bits)).toEqual(hints);
      }),
    );
  });
  it('is told in words', () => {
    expect(askedText({ purpose: 'number', hints: ['spellcheck', 'lowercase'] })).toBe(
      'number, spellcheck, lowercase',
    );
    expect(askedText({ purpose: 'email', hints: [] })).toBe('email');
    expect(askedText(null)).toBe('nothing');
  });
});
