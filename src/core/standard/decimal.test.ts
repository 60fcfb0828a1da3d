import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Decimal } from './decimal';

/** Decimals of up to 8 digits, so that nothing is cut. */
const small = fc
  .tuple(fc.integer({ min: -9_999_999, max: 9_999_999 }), fc.integer({ min: -6, max: 3 }))
  .map(([coefficient, exponent]) => Decimal.of(coefficient, exponent));
const equal = (a: Decimal, b: Decimal) => a.compare(b) === 0;

describe('decimals', () => {
  it('read and give back every double that JavaScript writes with at most 17 digits', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (n) => {
        expect(Decimal.fromNumber(n).toNumber()).toBe(n === 0 ? 0 : n);
      }),
    );
  });
  it('read what is a number and nothing else', () => {
    expect(['1', '-0.5', '.5', '5.', '1e3', '+2'].map((text) => Decimal.parse(text)?.toNumber())).toEqual([
      1, -0.5, 0.5, 5, 1000, 2,
    ]);
    expect(['', '.', 'e5', '1e', '1 ', '0x1', '--1'].map((text) => Decimal.parse(text))).toEqual(
      Array(7).fill(null),
    );
    expect(Decimal.parse('1e9999')).toBeNull();
    expect(Decimal.parse('1e-9999')?.isZero()).toBe(true);
  });
  it('count as numbers do: sums, products and quotients undo each other', () => {
    fc.assert(
      fc.property(small, small, (a, b) => {
        expect(equal(a.plus(b).minus(b), a)).toBe(true);
        expect(equal(a.plus(b), b.plus(a))).toBe(true);
        fc.pre(!b.isZero());
        expect(equal(a.times(b).over(b), a)).toBe(true);
      }),
    );
  });
  it('leave between zero and the divisor', () => {
    fc.assert(
      fc.property(small, small, (a, b) => {
        fc.pre(b.compare(Decimal.zero) > 0);
        const rest = a.modulo(b);
        expect(rest.compare(Decimal.zero)).toBeGreaterThanOrEqual(0);
        expect(rest.compare(b)).toBeLessThan(0);
        expect(a.minus(rest).modulo(b).isZero()).toBe(true);
      }),
    );
  });
  it('tell 0.1 + 0.2 from nothing else than 0.3', () => {
    const [tenth, fifth] = [Decimal.parse('0.1'), Decimal.parse('0.2')];
    expect(tenth && fifth && tenth.plus(fifth).compare(Decimal.of(3, -1))).toBe(0);
  });
  it('round halves away from zero, and down', () => {
    expect(['2.5', '-2.5', '2.4', '-0.2'].map((t) => Decimal.parse(t)?.rounded().toNumber())).toEqual([
      3, -3, 2, 0,
    ]);
    expect(['2.5', '-2.5', '-2', '0.9'].map((t) => Decimal.parse(t)?.floored().toNumber())).toEqual([
      2, -3, -2, 0,
    ]);
  });
  it('divide to 18 digits', () => {
    expect(Decimal.of(1).over(Decimal.of(3)).times(Decimal.of(3)).toNumber()).toBeCloseTo(1, 15);
    expect(Decimal.of(2).over(Decimal.of(3)).coefficient).toBe(666_666_666_666_666_667n);
  });
});
