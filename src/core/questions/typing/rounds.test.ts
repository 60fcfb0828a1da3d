import { describe, expect, it } from 'vitest';
import type { EventRecord } from '../../observation/event-record';
import { median, ofRounds, type TypedRound } from './rounds';

const event = (took?: number): EventRecord => ({
  type: 'input',
  key: null,
  code: null,
  inputType: 'insertText',
  data: 'a',
  value: 'a',
  trusted: true,
  prevented: false,
  ...(took !== undefined && { took }),
});
const round = (text: string, ...took: (number | undefined)[]): TypedRound => ({
  steps: [
    {
      text,
      caret: { start: 1, end: 1 },
      value: text,
      refused: null,
      guard: null,
      events: took.map((one) => event(one)),
    },
  ],
});

describe('rounds of the same strokes', () => {
  it('come to what most of them had, and say how many that are', () => {
    const { steps, rounds } = ofRounds([round('x'), round('a'), round('a')]);
    expect([steps[0]?.text, rounds]).toEqual(['a', { asked: 3, alike: 2 }]);
    expect(ofRounds([round('x'), round('y'), round('z')])).toMatchObject({
      steps: [{ text: 'x' }],
      rounds: { asked: 3, alike: 1 },
    });
    expect(ofRounds([round('x')]).rounds).toEqual({ asked: 1, alike: 1 });
  });

  it('are alike however long their listeners took, which is the median of those that are alike', () => {
    const { steps, rounds } = ofRounds([
      round('a', 90, 1),
      round('b', 1, 1),
      round('a', 3, 2),
      round('a', 5, 9),
    ]);
    expect(rounds).toEqual({ asked: 4, alike: 3 });
    expect(steps[0]?.events.map(({ took }) => took)).toEqual([5, 2]);
  });

  it('are alike whether a timer of the page rewrites the value before the key is released or after', () => {
    const typed = (atRelease: string, rewrittenTo?: string): TypedRound => ({
      steps: [
        {
          text: 'A',
          caret: { start: 1, end: 1 },
          value: 'A',
          refused: null,
          guard: null,
          events: [
            { ...event(), ...(rewrittenTo !== undefined && { rewrittenTo }) },
            { ...event(), type: 'keyup', value: atRelease },
          ],
        },
      ],
    });
    const { steps, rounds } = ofRounds([typed('A', 'A'), typed('a', 'A'), typed('a', 'A')]);
    expect(rounds).toEqual({ asked: 3, alike: 3 });
    // Shown is what most of them really saw.
    expect(steps[0]?.events[1]?.value).toBe('a');
    expect(ofRounds([typed('A', 'A'), typed('b', 'A'), typed('b', 'A')]).rounds?.alike).toBe(2);
    expect(ofRounds([typed('A'), typed('a'), typed('a')]).rounds?.alike).toBe(2);
  });

  it('leave a time unknown that nobody knows', () => {
    expect(ofRounds([round('a', undefined), round('a', undefined)]).steps[0]?.events[0]).not.toHaveProperty(
      'took',
    );
  });

  it.each([
    [[3], 3],
    [[9, 1, 5], 5],
    [[4, 2], 2],
    [[], 0],
  ])('the median of %j is %d', (numbers, expected) => {
    expect(median(numbers)).toBe(expected);
  });
});
