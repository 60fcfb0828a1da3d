import { describe, expect, it } from 'vitest';
import { isBeginningOfDate, isDateIn } from './date-format';

const german = 'dd.mm.yyyy';

describe('a date in a format', () => {
  it.each([
    ['29.02.2024', german, true],
    ['29.02.2023', german, false],
    ['31.12.2026', german, true],
    ['31.11.2026', german, false],
    ['01.01.2026', german, true],
    ['00.01.2026', german, false],
    ['01.00.2026', german, false],
    ['01.13.2026', german, false],
    ['01-01-2026', german, false],
    ['01.01.2026 ', german, false],
    ['1.1.2026', german, false],
    ['x1.01.2026', german, false],
    ['01.01.202x', german, false],
    // Of this century, which has the leap day.
    ['29.02.24', 'dd.mm.yy', true],
    ['29.02.23', 'dd.mm.yy', false],
    // Without a year any day that some year has.
    ['29.02', 'dd.mm', true],
    ['30.02', 'dd.mm', false],
    ['12.2026', 'mm.yyyy', true],
    ['2026', 'yyyy', true],
    ['9/9', 'm/d', true],
    ['0/9', 'm/d', false],
    ['1900-02-29', 'yyyy-mm-dd', false],
    ['2000-02-29', 'yyyy-mm-dd', true],
    ['', '', true],
  ])('%j as %s exists: %s', (text, format, exists) => {
    expect(isDateIn(text, format)).toBe(exists);
  });

  it.each([
    ['', german, true],
    ['0', german, true],
    ['3', german, true],
    ['4', german, false],
    ['00', german, false],
    ['31', german, true],
    ['32', german, false],
    ['31.', german, true],
    ['31-', german, false],
    ['31.1', german, true],
    ['31.2', german, false],
    ['31.00', german, false],
    ['31.12', german, true],
    ['31.13', german, false],
    ['31.12.9', german, true],
    ['31.12.9999', german, true],
    ['31.11.2026', german, false],
    ['31.12.2026x', german, false],
    ['x', german, false],
    ['3x', german, false],
    ['2', 'm/d', true],
    ['0', 'm/d', false],
    ['9/9', 'm/d', true],
  ])('%j may become one as %s: %s', (text, format, may) => {
    expect(isBeginningOfDate(text, format)).toBe(may);
  });
});
