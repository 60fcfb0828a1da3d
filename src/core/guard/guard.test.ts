import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { insertText } from '../script/editing-buffer';
import type { Guard } from './guard';
import { decideBeforeInsert } from './stages';

const decimals = (most: number, on = true): Guard => ({
  kind: 'decimals',
  stage: 'before insert',
  id: `d${most}`,
  on,
  most,
});
const passes = (guard: Guard, newText: string, inserted = 'x') =>
  decideBeforeInsert([guard], { oldText: '', newText, inserted }).pass;

describe('the decimals guard', () => {
  it.each(['', '-', '+1', '12', '1.', '.5', '-1.25', '1,25', '−3'])(
    'lets “%s” stand on the way to a number',
    (text) => {
      expect(passes(decimals(2), text)).toBe(true);
    },
  );
  it.each(['1.255', 'a', '1.2.3', '1-', ' 1', '1e5', '--1'])('refuses “%s”', (text) => {
    expect(passes(decimals(2), text)).toBe(false);
  });
  it('wants no separator where no decimals are allowed', () => {
    expect(passes(decimals(0), '1.')).toBe(false);
    expect(passes(decimals(0), '1')).toBe(true);
  });
  it('lets every number with so many decimals be typed, stroke by stroke from the left', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), fc.integer({ min: 1, max: 4 }), (n, most) => {
        let buffer = { text: '', start: 0, end: 0 };
        for (const key of (n / 10 ** most).toFixed(most)) {
          const next = insertText(buffer, key);
          expect(
            decideBeforeInsert([decimals(most)], { oldText: buffer.text, newText: next.text, inserted: key }),
          ).toEqual({ pass: true });
          buffer = next;
        }
      }),
    );
  });
});

describe('guards together', () => {
  it('ask in order, and the first that refuses is named', () => {
    const edit = { oldText: '1.2', newText: '1.23', inserted: '3' };
    expect(decideBeforeInsert([decimals(3), decimals(1), decimals(0)], edit)).toEqual({
      pass: false,
      guard: 'd1',
    });
  });
  it('never refuse taking text away, and a guard that is off refuses nothing', () => {
    expect(decideBeforeInsert([decimals(0)], { oldText: 'abc', newText: 'ab', inserted: '' })).toEqual({
      pass: true,
    });
    expect(passes(decimals(0, false), 'abc')).toBe(true);
  });
});
