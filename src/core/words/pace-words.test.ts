import { describe, expect, it } from 'vitest';
import { type Pace, paceText } from './pace-words';

const bubble = { question: 'bubble', field: 'read-on' } as const;

describe('how far a target is, in words', () => {
  it.each<[Pace, string]>([
    [{ done: 0, total: 6, last: null, left: null }, 'starting, 0 of 6'],
    [{ done: 1, total: 2408, last: bubble, left: null }, 'bubble of read-on, 1 of 2,408'],
    [{ done: 4, total: 6, last: bubble, left: 200 }, 'bubble of read-on, 4 of 6, about 1 s to go'],
    [{ done: 4, total: 6, last: bubble, left: 8400 }, 'bubble of read-on, 4 of 6, about 8 s to go'],
    [{ done: 4, total: 6, last: bubble, left: 31_000 }, 'bubble of read-on, 4 of 6, about 30 s to go'],
    [{ done: 4, total: 6, last: bubble, left: 290_000 }, 'bubble of read-on, 4 of 6, about 5 min to go'],
    [{ done: 6, total: 6, last: bubble, left: 0 }, 'done, 6 answers'],
  ])('%j: %s', (pace, text) => {
    expect(paceText(pace)).toBe(text);
  });
});
