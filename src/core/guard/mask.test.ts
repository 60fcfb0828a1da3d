import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isBeginningOfMask, isFull, masked } from './mask';

/** Small letters, digits, separators, what has no place, and characters of two code units. */
const letter = fc.constantFrom('a', 'Q', '7', '-', ' ', 'é', '٣', '𝟛', '😀');
const text = fc.array(letter, { maxLength: 14 }).map((letters) => letters.join(''));
const mask = fc.array(fc.constantFrom('A', '0', 'X', '-', ' '), { maxLength: 9 }).map((one) => one.join(''));

describe('a mask', () => {
  it.each([
    ['tg4', 'XXX-0000-AA', true, 'tg4'],
    ['tg47', 'XXX-0000-AA', true, 'tg4-7'],
    ['tg4-', 'XXX-0000-AA', true, 'tg4-'],
    ['tg4-', 'XXX-0000-AA', false, 'tg4'],
    ['tg4 7719qx and more', 'XXX-0000-AA', true, 'tg4-7719-qx'],
    ['12', '00/', true, '12/'],
    ['12', '00/', false, '12'],
    ['', '(00)', true, ''],
    ['𝟛a', '0-A', true, '𝟛-a'],
    ['a7', '\\A0', true, 'A7'],
  ])('makes of %j with %j, growing %j: %j', (typed, pattern, grows, expected) => {
    expect(masked(typed, pattern, grows)).toBe(expected);
  });

  it('makes only beginnings of itself, out of which it makes the same again', () => {
    fc.assert(
      fc.property(text, mask, fc.boolean(), (typed, pattern, grows) => {
        const once = masked(typed, pattern, grows);
        expect(isBeginningOfMask(once, pattern)).toBe(true);
        expect(masked(once, pattern, grows)).toBe(once);
      }),
    );
  });

  it('leaves a full text as it is while the text grows', () => {
    fc.assert(
      fc.property(text, mask, (typed, pattern) => {
        const once = masked(typed, pattern, true);
        if (isFull(once, pattern)) expect(Array.from(once)).toHaveLength(pattern.length);
        // A character more has no place: nothing is pushed out by it.
        if (isFull(once, pattern)) expect(masked(`${once}a`, pattern, true)).toBe(once);
      }),
    );
  });
});
