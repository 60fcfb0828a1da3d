import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holdsCheck, mayBecomeChecked } from './check-digit';

describe('check digits', () => {
  it.each([
    ['mod 10', '00', true],
    ['mod 10', '18', true],
    ['mod 10', '59', true],
    ['mod 10', '91', true],
    ['mod 10', '19', false],
    ['mod 10', '0', false],
    ['mod 10', '', false],
    ['mod 10', '7992-7398 713', true],
    ['mod 10', '7992.7398713', false],
    ['mod 10', 'a18', false],
    ['mod 11', '0306406152', true],
    ['mod 11', '080442957x', true],
    ['mod 11', '0306406151', false],
    ['mod 11', '03064061521', false],
    ['mod 11', '030640615', false],
    ['mod 11', 'X306406152', false],
    ['mod 97', 'gb82 west-1234 5698 7654 32', true],
    ['mod 97', 'GB82WEST12345698765423', false],
    ['mod 97', 'GB82', false],
    ['mod 97', '82GBWEST12345698765432', false],
  ] as const)('%s of %j fit: %s', (method, text, fit) => {
    expect(holdsCheck(text, method)).toBe(fit);
  });

  it('of mod 10 tell every wrong digit, and never fit two last ones', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^\d{1,18}$/), (digits) => {
        const fitting = [...'0123456789'].filter((last) => holdsCheck(digits + last, 'mod 10'));
        expect(fitting).toHaveLength(1);
      }),
    );
  });

  // ISO/IEC 7064: 98 less what is left of the number with 00 at the end, divided by 97.
  it('of mod 97 are those that the standard works out', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Z0-9]{4,24}$/), (account) => {
        const number = [...`${account}GB00`].map((one) => Number.parseInt(one, 36)).join('');
        const check = String(98n - (BigInt(number) % 97n)).padStart(2, '0');
        expect(holdsCheck(`GB${check}${account}`, 'mod 97')).toBe(true);
      }),
    );
  });

  it.each([
    ['mod 10', '', true],
    ['mod 10', '1', true],
    ['mod 10', '1 2-3', true],
    ['mod 10', '12a', false],
    ['mod 10', 'a12', false],
    ['mod 11', '', true],
    ['mod 11', '123456789', true],
    ['mod 11', '0306406152', true],
    ['mod 11', '0306406151', false],
    ['mod 11', 'X', false],
    ['mod 97', '', true],
    ['mod 97', 'G', true],
    ['mod 97', 'gb', true],
    ['mod 97', 'GB8', true],
    ['mod 97', 'GB82', true],
    ['mod 97', 'GB82 W', true],
    ['mod 97', '8', false],
    ['mod 97', 'G8', false],
    ['mod 97', 'GBX', false],
    ['mod 97', 'GB8W', false],
    ['mod 97', 'GB82_', false],
  ] as const)('%s: %j may become a text that fits: %s', (method, text, may) => {
    expect(mayBecomeChecked(text, method)).toBe(may);
  });
});
