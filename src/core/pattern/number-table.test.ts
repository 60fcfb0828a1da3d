import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import { canReachRange } from '../guard/number-in-progress';
import { holds } from '../guard/rule';
import { beginningsOf } from './combine';
import { rangeTable } from './number-table';
import { acceptsText } from './table';

const limit = fc.option(
  fc.oneof(
    fc.integer({ min: -120, max: 120 }),
    fc.integer({ min: -9000, max: 9000 }).map((n) => n / 100),
  ),
  { nil: null },
);
const text = fc.oneof(
  fc
    .array(fc.constantFrom(...'0123456789.,-+\u2212x'.split('')), { maxLength: 7 })
    .map((all) => all.join('')),
  fc.integer({ min: -20_000, max: 20_000 }).map((n) => String(n / 100)),
  fc.integer({ min: -200, max: 200 }).map((n) => (n < 0 ? `-0${-n}` : `+00${n}`)),
);

describe('the table of a range of numbers', () => {
  it('accepts the numbers in it, however they are written', () => {
    fc.assert(
      fc.property(limit, limit, fc.array(text, { minLength: 20, maxLength: 20 }), (min, max, texts) => {
        const guard: Guard = { kind: 'range', id: 'r', stage: 'on submission', on: true, min, max };
        const table = rangeTable(min, max);
        for (const one of texts) expect([one, acceptsText(table, one)]).toEqual([one, holds(guard, one)]);
      }),
      { numRuns: 400 },
    );
  });

  it('lets those texts begin that more digits can bring into it', () => {
    fc.assert(
      fc.property(limit, limit, fc.array(text, { minLength: 20, maxLength: 20 }), (min, max, texts) => {
        fc.pre(min === null || max === null || min <= max);
        const table = beginningsOf(rangeTable(min, max));
        for (const one of texts)
          expect([one, acceptsText(table, one)]).toEqual([one, canReachRange(one, min, max)]);
      }),
      { numRuns: 400 },
    );
  });
});
