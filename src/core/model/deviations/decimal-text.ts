import type { Decimal } from '../../standard/decimal';

/** Digits after which Blink and WebKit round a fraction when they write it. */
const mostDigits = 15;

/** A decimal as Blink and WebKit write it: with the exponent that it has, where it has one above zero or far below. */
export function decimalText(value: Decimal): string {
  if (value.isZero()) return '0';
  const sign = value.coefficient < 0n ? '-' : '';
  const { digits, exponent } = trimmed(value);
  const adjusted = exponent + digits.length - 1;
  if (exponent > 0 || adjusted < -6) {
    const significant = digits.replace(/0+$/, '') || '0';
    const fraction = significant.length > 1 ? `.${significant.slice(1)}` : '';
    const power = adjusted === 0 ? '' : `e${adjusted < 0 ? '' : '+'}${adjusted}`;
    return `${sign}${significant[0]}${fraction}${power}`;
  }
  if (exponent === 0) return sign + digits;
  return adjusted >= 0
    ? `${sign}${digits.slice(0, adjusted + 1)}.${digits.slice(adjusted + 1)}`
    : `${sign}0.${'0'.repeat(-adjusted - 1)}${digits}`;
}

function trimmed({ coefficient, exponent }: Decimal): { digits: string; exponent: number } {
  let digits = (coefficient < 0n ? -coefficient : coefficient).toString();
  let power = exponent;
  if (power >= 0) return { digits, exponent: power };
  if (digits.length > mostDigits) {
    const cut = digits.length - mostDigits;
    const up = Number(digits[mostDigits]) >= 5 ? 1n : 0n;
    digits = (BigInt(digits.slice(0, mostDigits)) + up).toString();
    power += cut;
  }
  while (power < 0 && digits.length > 0 && digits !== '0' && digits.endsWith('0')) {
    digits = digits.slice(0, -1);
    power++;
  }
  return digits === '0' ? { digits, exponent: 0 } : { digits, exponent: power };
}
