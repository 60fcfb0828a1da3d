import { describe, expect, it } from 'vitest';
import { Budget, GaveUp } from '../regexp/budget';
import { determined } from './determine';
import { webOf } from './nodes';
import { stateCount, type Table } from './table';

interface Room {
  readonly states: number;
  readonly steps: number;
}
const plenty: Room = { states: 20_000, steps: 10_000_000 };

/** The table of a pattern within so much room; why there is none. */
function drawn(source: string, room: Partial<Room> = {}): Table | string {
  const { states, steps } = { ...plenty, ...room };
  const limits = { nodes: 20_000, states, budget: new Budget(steps) };
  try {
    return determined(webOf(source, 'v', 'whole', limits), limits);
  } catch (error) {
    if (error instanceof GaveUp) return error.code;
    throw error;
  }
}

/** The least number with which it works out, found by halves. */
function least(works: (number: number) => boolean, most: number): number {
  let [low, high] = [0, most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (works(middle)) high = middle;
    else low = middle;
  }
  return high;
}
const statesOf = (source: string) =>
  least((states) => typeof drawn(source, { states }) !== 'string', plenty.states);
const stepsOf = (source: string) =>
  least((steps) => typeof drawn(source, { steps }) !== 'string', plenty.steps);

describe('drawing a pattern', () => {
  it.each([
    // A state behind each character, and the one before the first.
    ['a{5}', 6],
    ['[a-z]{10}', 11],
    ['(?:ab|cd)', 4],
    // Whether the character was come to is all that is remembered of what may not come.
    ['(?!abc).*', 4],
  ])('takes a state for each thing that is to be remembered: %s, %d', (source, states) => {
    expect(statesOf(source)).toBe(states);
    expect(drawn(source, { states: states - 1 })).toBe('too many states');
  });

  it('ends where it takes too many steps, and says so', () => {
    expect(drawn('a{5}', { steps: 20 })).toBe('too many steps');
    expect(stateCount(drawn('a{5}', { steps: 2000 }) as Table)).toBe(6);
  });

  it('is paid for by states and by sorts of characters alike', () => {
    const short = stepsOf('[ab]{10}');
    expect(stepsOf('[ab]{40}') / short).toBeGreaterThan(3);
    expect(stepsOf('[ab]{40}') / short).toBeLessThan(5);
    const sorts = '(?:a|b[ab]|c[a-c]|d[a-d]|e[a-e]|f[a-f]|g[a-g]|h[a-h])';
    expect(stepsOf(`${sorts}{10}`) / short).toBeGreaterThan(4);
  });

  it('remembers of many conditions what is still open, and not in how many ways it came to be', () => {
    const each = [...'abcdefgh'].map((letter) => `(?=.*${letter})\\w`);
    const few = stepsOf(`(?:${each.slice(0, 4).join('|')})*!`);
    const many = stepsOf(`(?:${each.join('|')})*!`);
    // Each condition more is a class of characters and a way more: the square of them, and no power of two.
    expect(many / few).toBeLessThan(6);
    expect(statesOf(`(?:${each.join('|')})*!`)).toBeLessThan(40);
  });

  it('forgets what cannot come any more, and what has come', () => {
    expect(statesOf('(?:(?!ab)\\w|(?!cd)\\w|(?!ef)\\w|(?!gh)\\w)*')).toBeLessThan(20);
    expect(statesOf('(?:(?!abc)(?!bcd)\\w)*')).toBeLessThan(20);
    expect(statesOf('(?!ab)(?!cd)(?!ef)(?!gh)\\w*')).toBeLessThan(9);
    // In whatever order they are met, the same conditions are the same.
    expect(stepsOf('(?:(?!ab)\\w|(?!cd)\\w)*') / stepsOf('(?:(?!cd)\\w|(?!ab)\\w)*')).toBeLessThan(1.1);
  });
});
