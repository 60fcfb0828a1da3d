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

  it.each([
    ['', '00-0', false, true],
    ['12', '00-0', false, true],
    ['12-3', '00-0', true, true],
    ['12-34', '00-0', false, false],
    ['123', '00-0', false, false],
    ['1a', '00', false, false],
    ['a', 'A', true, true],
    ['Z', 'A', true, true],
    ['7', 'A', false, false],
    ['[', 'A', false, false],
    ['`', 'A', false, false],
    ['{', 'X', false, false],
    ['/', '0', false, false],
    [':', '0', false, false],
    ['9', 'X', true, true],
    ['é', 'X', true, true],
    ['٣', '0', true, true],
    ['𝟛', '0', true, true],
    ['€', 'X', false, false],
    ['A0', '\\A\\0', true, true],
    ['1\\', '0\\', true, true],
    ['', '', true, true],
  ])('%j fills %j: %s, from its beginning: %s', (typed, pattern, full, beginning) => {
    expect([isFull(typed, pattern), isBeginningOfMask(typed, pattern)]).toEqual([full, beginning]);
  });

  it('is read anew where many others were read since', () => {
    for (const index of [0, ...Array(150).keys(), 0])
      expect(isFull(`7${'-'.repeat(index)}`, `0${'-'.repeat(index)}`)).toBe(true);
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
