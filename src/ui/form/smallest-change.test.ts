import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallestChange } from './smallest-change';

const apply = (text: string, { from, to, insert }: { from: number; to: number; insert: string }) =>
  text.slice(0, from) + insert + text.slice(to);

describe('the smallest change between two texts', () => {
  it('is none between equal texts', () => {
    expect(smallestChange('abc', 'abc')).toBeNull();
  });

  it.each([
    ['<input min="0">', '<input min="-3">', { from: 12, to: 13, insert: '-3' }],
    ['aa', 'aaa', { from: 2, to: 2, insert: 'a' }],
    ['abc', '', { from: 0, to: 3, insert: '' }],
    ['', 'abc', { from: 0, to: 0, insert: 'abc' }],
  ])('from %j to %j', (before, after, change) => {
    expect(smallestChange(before, after)).toEqual(change);
  });

  it('makes the one text of the other, always, and touches no more than it must', () => {
    const text = fc.string({ unit: fc.constantFrom('a', 'b', '<', '😀') });
    fc.assert(
      fc.property(text, text, text, text, (head, tail, before, after) => {
        const [from, to] = [head + before + tail, head + after + tail];
        const change = smallestChange(from, to);
        if (change === null) expect(from).toBe(to);
        else {
          expect(apply(from, change)).toBe(to);
          expect(change.to - change.from).toBeLessThanOrEqual(before.length);
        }
      }),
    );
  });
});
