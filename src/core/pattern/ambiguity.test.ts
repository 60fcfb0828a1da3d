import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Budget } from '../regexp/budget';
import { ambiguitiesOf } from './ambiguity';
import { connectedParts } from './connected-parts';
import { shortestPath } from './shortest-path';

const sorts = (source: string) => [
  ...new Set(ambiguitiesOf(source, new Budget(2_000_000)).map(({ grows }) => grows)),
];

describe('pieces that are taken in several ways', () => {
  it.each([
    ['a*', []],
    ['(?:ab)*', []],
    ['a*b*', []],
    ['a*a*', ['with a power']],
    ['(?:a|a)*', ['exponentially']],
    ['(?:a*)*', ['exponentially']],
    ['(?:a?)*b', ['exponentially']],
    ['a{1,9}a{1,9}', ['with a power']],
    ['a{1,3}a{1,3}', []],
    ['(?:a{2,}){2,}', ['exponentially', 'with a power']],
    ['(?!a*a*b)x', ['with a power']],
    ['(a)\\1*', []],
    ['(', []],
  ])('of %s grow %j', (source, expected) => {
    expect(sorts(source)).toEqual(expected);
  });

  it('stand behind a text that leads to them, in the plainest characters', () => {
    expect(ambiguitiesOf('x[^y]*[^z]*', new Budget(100_000))).toEqual([
      { grows: 'with a power', before: 'xa', again: 'a' },
    ]);
    expect(ambiguitiesOf('\\p{Lu}(?:\\d|[0-5])+', new Budget(2_000_000))).toMatchObject([
      { grows: 'exponentially', again: expect.stringMatching(/^[0-5]+$/) },
    ]);
  });

  it.each([
    ['x(?:a|a)*y', ['exponentially|xa|aa']],
    ['(?:a|b|ab)*c', ['exponentially|a|aba']],
    ['(?:aa|a)*b', ['exponentially|aa|aaaa']],
    ['(?:a?b?)*c', ['exponentially|b|ab']],
    ['(?:a(?:b|b)c)*d', ['exponentially|abc|abc']],
    ['(?:é|[à-ü])+x', ['exponentially|éé|éé']],
    ['(?:\\w|\\d)+!', ['exponentially|aa|1a']],
    ['[ab]*a[ab]*b', ['with a power|a|aa']],
    ['\\d+x?\\d+', ['with a power|11|11']],
    ['q(?:a+b)+(?:ab|b)*c', ['with a power|qabab|ab', 'with a power|qaba|ba']],
    ['(.*)(.*)x', ['with a power|a|a']],
    // Ways that do not grow, though there are some.
    ['(?:ab|a)(?:bc|c)*', []],
    ['(?:a|b)+', []],
    ['\\s*,\\s*', []],
    // As often as six times counts as without end, five times does not.
    ['(?:a{1,6})*b', ['exponentially|aa|aa']],
    ['a{1,5}a{1,5}', []],
    ['a{1,6}a{1,6}', ['with a power|aa|aa']],
    ['a{2,}a*', ['with a power|aa|a']],
    // Who looks around takes nothing.
    ['(?=a)(?:a|a)+b', ['exponentially|aa|aa']],
    ['(?!x)(?:a|a)+b', ['exponentially|aa|aa']],
    ['(?<=a)(?:a|a)+b', ['exponentially|aa|aa']],
    ['(?:^a|a)+b', ['exponentially|aa|aa']],
    ['(?:a$|a)+b', ['exponentially|aa|aa']],
  ])('of %s are %j', (source, expected) => {
    const found = ambiguitiesOf(source, new Budget(2_000_000));
    expect(found.map(({ grows, before, again }) => [grows, before, again].join('|'))).toEqual(expected);
  });

  it('are told of a dozen times at most of each sort', () => {
    const many = (piece: string) => ambiguitiesOf(Array(20).fill(piece).join('x'), new Budget(20_000_000));
    expect(many('(?:a|a)+').filter(({ grows }) => grows === 'exponentially')).toHaveLength(12);
    const between = ambiguitiesOf('a*'.repeat(20), new Budget(20_000_000));
    expect(between.map(({ grows }) => grows)).toEqual(Array(12).fill('with a power'));
  });

  it('are given up where they would take too many steps', () => {
    expect(ambiguitiesOf('(?:a|a)*', new Budget(10))).toEqual([]);
  });

  it('that double really double the ways', () => {
    const atom = fc.constantFrom('a', 'b', '[ab]', 'ab');
    const sign = fc.constantFrom('', '*', '+', '?');
    const piece = fc.tuple(atom, sign).map(([one, how]) => `(?:${one})${how}`);
    const body = fc.array(piece, { minLength: 1, maxLength: 3 }).map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(body, body, (one, other) => {
        const source = `(?:${one}|${other})*`;
        for (const { grows, before, again } of ambiguitiesOf(source, new Budget(2_000_000))) {
          if (grows !== 'exponentially') continue;
          // What is repeated stays within the pattern: only what follows makes it fail.
          expect(new RegExp(`^(?:${source})`).exec(before + again.repeat(3))?.[0].length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a graph', () => {
  const edges: Readonly<Record<number, readonly number[]>> = { 0: [1], 1: [2, 3], 2: [1], 3: [3], 4: [0] };
  const next = (place: number) => edges[place] ?? [];

  it('falls into parts whose places lead to each other and back', () => {
    const parts = connectedParts(5, next).map((part) => [...part].sort());
    expect(parts.sort()).toEqual([[0], [1, 2], [3], [4]]);
    expect(connectedParts(0, next)).toEqual([]);
  });

  it('as deep as no calls could be is taken apart too', () => {
    expect(connectedParts(50_000, (place) => (place < 49_999 ? [place + 1] : [0]))).toHaveLength(1);
  });

  it('has a shortest way of at least one step', () => {
    const way = (from: number, wanted: number) =>
      shortestPath(
        from,
        (at) => next(at).map((to) => ({ to })),
        (at) => at === wanted,
      )?.steps.map(({ to }) => to);
    expect(way(4, 3)).toEqual([0, 1, 3]);
    expect(way(1, 1)).toEqual([2, 1]);
    expect(way(3, 3)).toEqual([3]);
    expect(way(3, 0)).toBeUndefined();
    expect(way(0, 0)).toBeUndefined();
  });
});
