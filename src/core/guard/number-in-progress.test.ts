import { describe, expect, it } from 'vitest';
import { canReachRange, numberIn, readNumberInProgress } from './number-in-progress';

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
    ['', 5, 1, true],
    ['x', null, null, false],
    ['-', null, -1, true],
    ['-', 0, null, true],
    ['-', 1, null, false],
    ['+', null, -1, false],
    ['+', 1, null, true],
    ['0', 5, null, true],
    ['0', null, -1, false],
    ['5', 10, 50, true],
    ['9', 10, 50, false],
    ['9', 10, 95, true],
    ['9', null, 9, true],
    ['9', null, 8, false],
    ['1', 2000, 2100, false],
    ['2', 2000, 2100, true],
    ['21', 2000, 2100, true],
    ['22', 2000, 2100, false],
    ['\u22125', -5, null, true],
    ['-5', -4, null, false],
  ] as const)('%s, between %s and %s: %s', (text, min, max, can) => {
    expect(canReachRange(text, min, max)).toBe(can);
  });
});

describe('a number in progress', () => {
  it.each([
    ['', { negative: false, whole: '', fraction: null }],
    ['+1', { negative: false, whole: '1', fraction: null }],
    ['\u221212,', { negative: true, whole: '12', fraction: '' }],
    ['-1.50', { negative: true, whole: '1', fraction: '50' }],
    ['1.2.3', null],
    ['1-', null],
    [' 1', null],
  ])('%j is read as %j', (text, read) => {
    expect(readNumberInProgress(text)).toEqual(read);
  });

  it.each([
    ['', null],
    ['-', null],
    ['.', null],
    ['x', null],
    ['.5', 0.5],
    ['5.', 5],
    ['-2,5', -2.5],
    ['+3', 3],
    ['007', 7],
  ])('%j is the number %j', (text, number) => {
    expect(numberIn(text)).toBe(number);
  });
});
