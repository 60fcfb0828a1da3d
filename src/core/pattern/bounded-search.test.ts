import { describe, expect, it } from 'vitest';
import { Budget, GaveUp } from '../regexp/budget';
import { searchedStanding } from './bounded-search';

/** What is tried in turn, and what comes of it. */
function searching(
  accepts: (text: string) => boolean,
  text: string,
  letters: readonly string[],
  steps = 1e9,
) {
  const tried: string[] = [];
  const answer = searchedStanding(
    (one) => {
      tried.push(one);
      return accepts(one);
    },
    text,
    letters,
    new Budget(steps),
  );
  return { ...answer, tried };
}

describe('what a text can become, by trying', () => {
  it('is nothing more where it is accepted as it is', () => {
    expect(searching((text) => text === 'ab', 'ab', ['a'])).toEqual({
      verdict: 'accepted',
      rest: null,
      searched: false,
      tried: ['ab'],
    });
  });
  it('is the shortest that is accepted, with the letters of the rule first', () => {
    expect(searching((text) => /^ab(?:xy|z)$/.test(text), 'ab', ['x', 'y', 'z'])).toMatchObject({
      verdict: 'unfinished',
      rest: 'z',
      searched: false,
      tried: ['ab', 'abx', 'aby', 'abz'],
    });
    expect(searching((text) => text === 'abxy', 'ab', ['x', 'y'])).toMatchObject({ rest: 'xy' });
  });
  it('may hold plain characters of which the rule does not speak', () => {
    expect(searching((text) => /^#[a-z]$/.test(text), '#', [])).toMatchObject({ verdict: 'unfinished' });
  });
  it('is refused as far as it was looked: two dozen letters, each once, six characters, 3000 texts', () => {
    const letters = Array.from({ length: 40 }, (_, at) => String.fromCharCode(0x4e00 + at));
    const { tried, ...answer } = searching(() => false, 'a', [...letters, ...letters]);
    expect(answer).toEqual({ verdict: 'refused', rest: null, searched: true });
    expect(tried).toHaveLength(3001);
    expect(tried.filter((text) => text.length === 2)).toEqual(
      letters.slice(0, 24).map((letter) => `a${letter}`),
    );
    const six = searching((text) => text.length === 7, 'a', ['b']);
    expect(six).toMatchObject({ verdict: 'refused' });
  });
  it('goes six characters deep where there are few letters', () => {
    const deep = (length: number) => {
      let count = 0;
      return searchedStanding(
        (text) => {
          count++;
          return count < 2900 && text === `a${'b'.repeat(length)}`;
        },
        'a',
        ['b'],
        new Budget(1e9),
      ).verdict;
    };
    expect([1, 2, 3].map(deep)).toEqual(['unfinished', 'unfinished', 'unfinished']);
  });
  it('is given up where it would take too many steps: sixty for each try', () => {
    expect(searching(() => false, '', ['a'], 60 * 3001).verdict).toBe('refused');
    expect(() => searching(() => false, '', ['a'], 60 * 2999)).toThrow(GaveUp);
  });
});
