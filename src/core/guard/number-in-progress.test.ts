import { describe, expect, it } from 'vitest';
import { canReachRange } from './number-in-progress';

describe('a number in progress that ends at a limit', () => {
  it.each([
    ['-0.05', null, -0.06, false],
    ['-0.06', null, -0.06, true],
    ['0.05', 0.06, null, false],
    ['0.28', 0.29, null, false],
    ['1.1', 1.2, null, false],
    ['1.1', 1.19, null, true],
    ['5.', 6, null, false],
    ['.', 0, 1, true],
  ] as const)('%s, between %s and %s: %s', (text, min, max, can) => {
    expect(canReachRange(text, min, max)).toBe(can);
  });
});
