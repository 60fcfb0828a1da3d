/**
 * A decimal number as form controls count with it: at most 18 digits and an exponent of ten, so that 0.1 is 0.1.
 * Immutable; arithmetic cuts what has no room.
 */
export class Decimal {
  private constructor(
    readonly coefficient: bigint,
    readonly exponent: number,
  ) {}

  static readonly zero = new Decimal(0n, 0);

  static of(coefficient: bigint | number, exponent = 0): Decimal {
    return Decimal.fitted(BigInt(coefficient), exponent);
  }

  /** @param text a number of the notation that `Number` reads, without spaces. @returns null where it reads none, and beyond its reach. */
  static parse(text: string): Decimal | null {
    const match = /^([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d+))?$/.exec(text);
    const [, sign, whole = '', fraction = '', exponent = '0'] = match ?? [];
    if (!match || whole + fraction === '') return null;
    const digits = (whole + fraction).replace(/^0+(?=\d)/, '');
    const power = Number(exponent) - fraction.length;
    // What no double can hold overflows or vanishes.
    if (Number(exponent) + whole.length > 1100) return /^0*$/.test(digits) ? Decimal.zero : null;
    if (power + digits.length < -1100) return Decimal.zero;
    const coefficient = BigInt(digits);
    return Decimal.fitted(sign === '-' ? -coefficient : coefficient, power);
  }

  static fromNumber(n: number): Decimal {
    return Decimal.parse(String(n)) ?? Decimal.zero;
  }

  private static fitted(coefficient: bigint, exponent: number): Decimal {
    if (coefficient === 0n) return new Decimal(0n, exponent);
    let [c, e] = [coefficient, exponent];
    while (absolute(c) >= limit) {
      c /= 10n;
      e++;
    }
    return new Decimal(c, e);
  }

  plus(other: Decimal): Decimal {
    const [a, b, exponent] = aligned(this, other);
    return Decimal.fitted(a + b, exponent);
  }

  minus(other: Decimal): Decimal {
    return this.plus(other.negated());
  }

  negated(): Decimal {
    return new Decimal(-this.coefficient, this.exponent);
  }

  times(other: Decimal): Decimal {
    return Decimal.fitted(this.coefficient * other.coefficient, this.exponent + other.exponent);
  }

  /** To 18 digits, the last one rounded. @throws RangeError when divided by zero. */
  over(other: Decimal): Decimal {
    if (this.isZero()) return new Decimal(0n, this.exponent - other.exponent);
    const [a, b] = [absolute(this.coefficient), absolute(other.coefficient)];
    let shift = 0;
    let [quotient, rest] = [a / b, a % b];
    while (rest > 0n && quotient < limit / 10n) {
      rest *= 10n;
      quotient = quotient * 10n + rest / b;
      rest %= b;
      shift++;
    }
    if (rest * 2n > b) quotient++;
    const isNegative = this.coefficient < 0n !== other.coefficient < 0n;
    return Decimal.fitted(isNegative ? -quotient : quotient, this.exponent - other.exponent - shift);
  }

  absolute(): Decimal {
    return new Decimal(absolute(this.coefficient), this.exponent);
  }

  /** To the nearest whole number, halves away from zero. */
  rounded(): Decimal {
    if (this.exponent >= 0) return this;
    const unit = 10n ** BigInt(-this.exponent);
    const half = this.coefficient < 0n ? -unit / 2n : unit / 2n;
    return new Decimal((this.coefficient + half) / unit, 0);
  }

  floored(): Decimal {
    if (this.exponent >= 0) return this;
    const unit = 10n ** BigInt(-this.exponent);
    const whole = this.coefficient / unit;
    return new Decimal(this.coefficient % unit < 0n ? whole - 1n : whole, 0);
  }

  /** What is left of a division that rounds down: from zero up to `other`, for a positive `other`. */
  modulo(other: Decimal): Decimal {
    return this.minus(this.over(other).floored().times(other));
  }

  compare(other: Decimal): number {
    const [a, b] = aligned(this, other);
    return a < b ? -1 : a > b ? 1 : 0;
  }

  isZero(): boolean {
    return this.coefficient === 0n;
  }

  toNumber(): number {
    return Number(`${this.coefficient}e${this.exponent}`);
  }
}

/** Coefficients stay below this. */
const limit = 10n ** 18n;

function absolute(n: bigint): bigint {
  return n < 0n ? -n : n;
}

function digitsOf(n: bigint): number {
  return absolute(n).toString().length;
}

/** Both coefficients at one exponent: the smaller one as far as 18 digits reach, beyond that the larger number's digits count. */
function aligned(a: Decimal, b: Decimal): [bigint, bigint, number] {
  if (a.exponent < b.exponent) {
    const [larger, smaller, exponent] = aligned(b, a);
    return [smaller, larger, exponent];
  }
  const distance = a.exponent - b.exponent;
  const beyond = Math.max(0, distance + (a.isZero() ? 1 : digitsOf(a.coefficient)) - 18);
  if (a.isZero()) return [0n, b.coefficient, b.exponent];
  return [
    a.coefficient * 10n ** BigInt(distance - beyond),
    beyond > 18 ? 0n : b.coefficient / 10n ** BigInt(beyond),
    b.exponent + beyond,
  ];
}
