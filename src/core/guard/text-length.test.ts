import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutTo, lengthIn } from './text-length';

const units = ['code units', 'code points', 'graphemes'] as const;
const text = fc.string({
  unit: fc.constantFrom('a', 'é', 'e\u0301', '😀', '👩‍🚀', '\n', '한'),
  maxLength: 12,
});

describe('the length of a text', () => {
  it.each([
    ['abc', 3, 3, 3],
    ['😀', 2, 1, 1],
    ['e\u0301', 2, 2, 1],
    ['👩‍🚀', 5, 3, 1],
    ['', 0, 0, 0],
  ])('%j: %i code units, %i code points, %i graphemes', (given, ...expected) => {
    expect(units.map((unit) => lengthIn(given, unit))).toEqual(expected);
  });

  it('is never more in graphemes than in code points, and never more in these than in code units', () => {
    fc.assert(
      fc.property(text, (given) => {
        const [codeUnits = 0, codePoints = 0, graphemes = 0] = units.map((unit) => lengthIn(given, unit));
        expect(graphemes).toBeLessThanOrEqual(codePoints);
        expect(codePoints).toBeLessThanOrEqual(codeUnits);
      }),
    );
  });

  it('is cut to a beginning of it that is short enough, and loses no whole part more', () => {
    fc.assert(
      fc.property(text, fc.nat(12), fc.constantFrom(...units), (given, most, unit) => {
        const cut = cutTo(given, most, unit);
        expect(given.startsWith(cut)).toBe(true);
        expect(lengthIn(cut, unit)).toBeLessThanOrEqual(most);
        // No half of a character is left behind.
        expect(cut).not.toMatch(/[\ud800-\udbff](?![\udc00-\udfff])/);
        // In code units a character of two may not fit.
        expect(lengthIn(cut, unit)).toBeGreaterThanOrEqual(
          Math.min(most, lengthIn(given, unit)) - (unit === 'code units' ? 1 : 0),
        );
      }),
    );
  });
});
