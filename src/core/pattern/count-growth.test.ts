import { describe, expect, it } from 'vitest';
import { type Counted, exponentOf, isConfirmed, isDoubling } from './count-growth';

/** Counts over texts of so many pieces of a length; those after `cut` would have been more. */
const counts = (
  steps: readonly number[],
  times = steps.map((_, at) => 2 ** at),
  cut = steps.length,
): Counted[] =>
  steps.map((count, at) => ({
    times: times[at] ?? 0,
    steps: count,
    length: (times[at] ?? 0) * 2,
    isCut: at >= cut,
  }));

describe('counts that double', () => {
  it.each([
    [[10, 20, 40, 80], true],
    [[10, 18, 32.4, 58.32], true],
    // Three times as much from one to the next, or no more than before.
    [[10, 20, 40], false],
    [[10, 20, 40, 71.9], false],
    [[10, 20, 40, 72], true],
    // A power of the length grows by less and less.
    [[1, 64, 729, 4096, 15_625], false],
    [[10, 20, 60, 180, 486], true],
    [[10, 20, 60, 180, 485], false],
    [[10, 10, 10, 20, 40], true],
    [[0, 0, 2, 4, 8], true],
    [[], false],
  ])('%j: %s', (steps, is) => {
    expect(isDoubling(steps)).toBe(is);
  });
});

describe('counts that confirm what an automaton says', () => {
  it.each([
    [[10, 15], true],
    [[10, 14.9], false],
    [[10], false],
    [[], false],
    // The last two that were counted to the end decide.
    [[10, 10, 15, 22.5], true],
    [[10, 15, 22.5, 23], false],
    [[10, 11, 22], false],
  ])('%j: %s', (steps, is) => {
    expect(
      isConfirmed(
        counts(
          steps,
          steps.map(() => 100),
        ),
      ),
    ).toBe(is);
  });
  it('need none where one over at most thirty characters was cut', () => {
    expect(isConfirmed(counts([10, 10], [1, 15], 1))).toBe(true);
    expect(isConfirmed(counts([10, 10], [1, 16], 1))).toBe(false);
    expect(isConfirmed(counts([10, 10], [1, 15], 2))).toBe(false);
    // What was cut is no ratio.
    expect(isConfirmed(counts([10, 100], [1, 16], 1))).toBe(false);
  });
});

describe('the power with which counts grow', () => {
  it('is that of the last two that were counted to the end, of three at least', () => {
    expect(exponentOf(counts([1, 4, 16, 64]), false)).toBeCloseTo(2);
    expect(exponentOf(counts([7, 1, 8, 64]), false)).toBeCloseTo(3);
    expect(exponentOf(counts([1, 27, 64], [1, 3, 4]), false)).toBeCloseTo(3);
    expect(exponentOf(counts([1, 4, 16, 20], undefined, 3), false)).toBeCloseTo(2);
    expect(exponentOf(counts([1, 4]), false)).toBeNull();
    expect(exponentOf(counts([1, 4]), true)).toBeNull();
    expect(exponentOf([], true)).toBeNull();
  });
  it('is the most that any two tell, where so short a text was cut that it must be high', () => {
    expect(exponentOf(counts([1, 16, 20], undefined, 2), true)).toBeCloseTo(4);
    expect(exponentOf(counts([1, 2, 32], undefined, 2), true)).toBeCloseTo(4);
    expect(exponentOf(counts([1, 16, 20], undefined, 2), false)).toBeNull();
    // Over more than thirty characters it may be a low one.
    expect(exponentOf(counts([1, 16], [1, 15], 1), true)).not.toBeNull();
    expect(exponentOf(counts([1, 16], [1, 16], 1), true)).toBeNull();
    expect(exponentOf(counts([1], [1], 0), true)).toBeNull();
  });
});
