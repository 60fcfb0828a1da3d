import { isValidFloatingPointNumber } from '../../standard/floating-point-numbers';

/**
 * What Blink lets into a number field: characters that a number can have, in places where one may stand, full-width
 * forms as plain ones. Asked of Chromium 156 on Debian 12 with random strokes; other engines let everything in.
 *
 * @param left the text before the caret or selection, `right` the text after it.
 * @returns what is left of `inserted`, maybe nothing.
 */
export function admittedNumberText(left: string, right: string, inserted: string): string {
  let admitted = '';
  for (const character of inserted.normalize('NFKC')) {
    if (mayStand(left + admitted, right, character)) admitted += character;
  }
  return admitted;
}

const isSign = (character: string | undefined) => character === '+' || character === '-';
const isExponent = (character: string | undefined) => character === 'e' || character === 'E';

function mayStand(left: string, right: string, character: string): boolean {
  const whole = left + right;
  const exponents = [...whole].filter(isExponent).length;
  const beforeSign = isSign(right[0]);
  if (/[0-9]/.test(character)) return !((left === '' || isExponent(left.at(-1))) && beforeSign);
  if (character === '.')
    return !whole.includes('.') && ![...left].some(isExponent) && !/^[^eE]*[+-]/.test(right);
  if (isExponent(character)) return exponents === 0 && !right.includes('.');
  if (!isSign(character)) return false;
  if ([...whole].filter(isSign).length >= 2 || beforeSign) return false;
  return exponents === 0 || (left === '' && character === '-') || isExponent(left.at(-1));
}

/**
 * The value that Blink gives for a text in a number field. A plain decimal may have a plus in front and a bare dot at
 * the end, which the value leaves out; with an exponent the standard's rules hold, save for a bare dot before the e.
 */
export function numberFieldValue(text: string): string {
  const value = /^[+-]?\d*\.?\d*$/.test(text) ? text.replace(/^\+/, '').replace(/\.$/, '') : text;
  return isValidFloatingPointNumber(value.replace(/\.(?=e)/i, '')) ? value : '';
}
