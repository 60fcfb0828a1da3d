import { describe, expect, it } from 'vitest';
import { Budget } from '../regexp/budget';
import { patternTable } from './pattern-table';
import { stateCount } from './table';

describe('the table of a pattern', () => {
  it.each([
    ['[A-Z]{2}[0-9]-[0-9]{4}', 9],
    ['(?=.*[A-Z])(?=.*\\d).{8,}', 28],
    ['(?!.*--)[a-z\\-]+', 3],
    ['\\bfoo\\b.*', 5],
    ['.{8,1000}', 1001],
    ['(a*)*b', 2],
    ['[]', 0],
    ['', 1],
  ])('of %s has %i states', (source, states) => {
    const found = patternTable({ source, match: 'whole' });
    expect(found.status === 'known' && stateCount(found.table)).toBe(states);
  });

  it.each([
    ['(a+)\\1', 'unknown', 'refers back'],
    ['(?<=a(?=b))b', 'unknown', 'looks ahead while looking back'],
    ['(?:(?:a{0,99}){0,99}){0,99}', 'unknown', /^too (?:large|many states)$/],
    ['a{2', 'fault', /./],
    ['[a-]', 'fault', /./],
    [')(', 'fault', /./],
  ])('of %s is %s, because %s', (source, status, reason) => {
    const found = patternTable({ source, match: 'whole' });
    expect(found.status).toBe(status);
    if (found.status !== 'known') expect('why' in found ? found.why : found.reason).toMatch(reason);
  });

  it('is given up after so many steps, whatever is asked', () => {
    const found = patternTable(
      { source: '(?=(?:.*[a-f]){9})(?=(?:.*[b-g]){9})(?=(?:.*[c-h]){9}).*', match: 'whole' },
      new Budget(1_000_000),
    );
    expect(found).toMatchObject({ status: 'unknown', why: expect.stringMatching(/too/) });
  });

  it('in a part is that of a whole with anything around it', () => {
    const [part, whole] = [
      patternTable({ source: 'ab', match: 'part' }),
      patternTable({ source: '[^]*ab[^]*', match: 'whole' }),
    ];
    expect(part).toEqual(whole);
  });
});
