import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { assembly, inPieces, type Piece } from './in-pieces';

/** As a page gets them: copied. */
function assembled(pieces: readonly Piece[]): unknown {
  const all = assembly();
  for (const piece of pieces) all.take(structuredClone(piece));
  return all.whole();
}

function values(value: unknown): number {
  if (typeof value !== 'object' || value === null) return 1;
  return Object.values(value).reduce((sum: number, inner) => sum + values(inner), 1);
}

describe('an answer in pieces', () => {
  it('is what it was', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), fc.integer({ min: 1, max: 40 }), (value, most) => {
        const pieces = inPieces(value, most);
        expect(assembled(pieces)).toEqual(value);
      }),
    );
  });

  it('has small pieces, however its lists stand within each other', () => {
    const lists = fc.letrec<{ list: unknown }>((tie) => ({
      list: fc.oneof({ maxDepth: 5 }, fc.integer(), fc.array(tie('list'), { maxLength: 30 })),
    })).list;
    fc.assert(
      fc.property(lists, fc.integer({ min: 2, max: 40 }), (value, most) => {
        const [last, ...others] = inPieces(value, most).reverse();
        for (const { items } of others) expect(values(items) - 1).toBeLessThanOrEqual(most);
        expect(values(last?.items) - 1).toBeLessThanOrEqual(most);
      }),
    );
  });

  it('keeps keys that every object has', () => {
    const value = JSON.parse('{"__proto__": [1, 2, 3], "constructor": {"toString": [4, 5, 6]}}');
    expect(JSON.stringify(assembled(inPieces(value, 2)))).toBe(JSON.stringify(value));
  });

  it('is one piece as long as it is small', () => {
    expect(inPieces({ fields: [1, 2, 3] })).toHaveLength(1);
  });

  it('cuts very many fields, and one field of very many options', () => {
    const fields = readForm('<input name=a required>'.repeat(3_000));
    const options = readForm(`<select name=a>${'<option>Buoy'.repeat(20_000)}</select>`);
    for (const reading of [fields, options]) {
      const pieces = inPieces(reading);
      expect(pieces.length).toBeGreaterThan(10);
      for (const { items } of pieces) expect(values(items)).toBeLessThan(5_000);
      expect(assembled(pieces)).toEqual(reading);
    }
  });
});
