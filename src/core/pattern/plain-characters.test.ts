import { describe, expect, it } from 'vitest';
import { charactersIn, plainestIn, plainness } from './plain-characters';

const code = (character: string) => character.codePointAt(0) as number;
const between = (from: string, to: string) => charactersIn(code(from), code(to)).join('');

describe('characters of a range', () => {
  it('are the plainest that are in it, both ends included, and all of one that was named on purpose', () => {
    expect(between('a', 'c')).toBe('abc');
    expect(between('+', '1')).toBe('1-.,+/0');
    expect(between('à', 'ä')).toBe('äàáâã');
    expect(between('b', 'b')).toBe('b');
    expect(between(' ', ' ')).toBe(' ');
  });
  it('are all of up to a hundred, and of more the plain ones alone', () => {
    const many = (count: number) => charactersIn(0x4e00, 0x4e00 + count - 1).length;
    expect([many(99), many(100), many(101)]).toEqual([99, 100, 0]);
    expect(charactersIn(0x20, 0x10ffff).slice(0, 3)).toEqual(['a', 'A', '1']);
    expect(charactersIn(0x1f600, 0x10ffff)).toEqual(['😀']);
  });
  it('are none that nobody sees', () => {
    expect(charactersIn(0, 0x1f)).toEqual([]);
    expect(charactersIn(0x2028, 0x2029)).toEqual([]);
  });
});

describe('the plainest of a range', () => {
  it('is one that can be seen, and the first where none can', () => {
    expect(plainestIn(code('0'), code('9'))).toBe('1');
    expect(plainestIn(0x4e00, 0x9fff)).toBe('一');
    expect(plainestIn(0, 0x1f)).toBe('\0');
    expect(plainestIn(0xe000, 0xf000)).toBe('\ue000');
    expect(plainestIn(0x2000, 0x3000)).toBe('‐');
  });
  it('is a letter before a digit before a sign before a letter with an accent before any other', () => {
    const all = ['a', 'A', '1', '-', ' ', 'b', 'é', '😀', 'ж'];
    expect([...all].sort((a, b) => plainness(a) - plainness(b))).toEqual(all);
    expect(plainness('ж')).toBe(plainness('漢'));
  });
});
