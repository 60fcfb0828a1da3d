import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ControlSign } from '../api/probe-api';
import { samePlaces } from './same-controls';

const sign = (name: string, element = 'input', type = 'text'): ControlSign => ({ element, name, type });
const named = fc
  .uniqueArray(fc.string({ minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 12 })
  .map((names) => names.map((name) => sign(name)));

describe('controls of a form that was read before', () => {
  it('are found by their names wherever they stand, and none is taken for another', () => {
    const turned = named.chain((read) =>
      fc.record({
        read: fc.constant(read),
        now: fc.shuffledSubarray(read),
        more: fc.array(fc.constantFrom(sign('', 'select', ''), sign('zz-came')), { maxLength: 3 }),
        at: fc.nat(12),
      }),
    );
    fc.assert(
      fc.property(turned, ({ read, now, more, at }) => {
        const all = [...now.slice(0, at), ...more, ...now.slice(at)];
        const places = samePlaces(read, all, 'not found');
        for (const [index, one] of read.entries()) {
          const place = places[index] ?? null;
          expect(place).toBe(all.includes(one) ? all.indexOf(one) : null);
        }
      }),
    );
  });

  it('are where they were as long as nothing changed, whatever they are called', () => {
    const any = fc.array(
      fc.record({
        element: fc.constantFrom('input', 'select', 'button'),
        name: fc.constantFrom('', 'a', 'b', '__proto__'),
        type: fc.constantFrom('', 'radio', 'hidden'),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(any, (signs) => {
        expect(samePlaces(signs, signs, 'not found')).toEqual(signs.map((_, index) => index));
        expect(
          samePlaces(
            signs.map(() => null),
            signs,
            'not found',
          ),
        ).toEqual(signs.map((_, index) => index));
      }),
    );
  });

  it('are the ones at their places in a page that was loaded anew and gave all of them other names', () => {
    fc.assert(
      fc.property(named, (read) => {
        const now = read.map(({ name }) => sign(`anew ${name} anew`));
        expect(samePlaces(read, now, 'by place')).toEqual(read.map((_, index) => index));
        expect(samePlaces(read, now, 'not found')).toEqual(read.map(() => null));
      }),
    );
  });

  it('of one name stand in their order; when one of them is gone, only the one that kept its place is sure', () => {
    const [hidden, box] = [sign('a', 'input', 'hidden'), sign('a', 'input', 'checkbox')];
    expect(samePlaces([hidden, box, sign('b')], [sign('b'), hidden, box], 'not found')).toEqual([1, 2, 0]);
    expect(samePlaces([hidden, box, sign('b')], [sign('b'), box], 'not found')).toEqual([null, 1, 0]);
  });

  it('are the same when their type is turned, and not when they become another element', () => {
    expect(
      samePlaces([sign('p', 'input', 'password')], [sign('x'), sign('p', 'input', 'text')], 'by place'),
    ).toEqual([1]);
    expect(samePlaces([sign('p', 'select', '')], [sign('p')], 'by place')).toEqual([null]);
  });
});
