import { describe, expect, it } from 'vitest';
import { Budget } from '../regexp/budget';
import { patternTable } from './pattern-table';

const table = (source: string, more: { flags?: 'v' | 'u'; match?: 'whole' | 'part' } = {}) =>
  patternTable({ source, match: 'whole', ...more });

describe('tables that were made', () => {
  it('are kept, each for its own pattern, flags and way to match', () => {
    const made = table('kept{1}');
    expect(table('kept{1}')).toBe(made);
    expect(table('kept{1}', { match: 'part' })).not.toBe(made);
    expect(table('kept{1}', { flags: 'u' })).not.toBe(made);
    expect(table('(')).toBe(table('('));
    // Not regular, and so for good.
    expect(table('(a)\\1')).toBe(table('(a)\\1'));
  });

  it('are not kept where others had used up the steps: who has more gets the answer', () => {
    const pattern = { source: 'given{2}up', match: 'whole' } as const;
    expect(patternTable(pattern, new Budget(10))).toEqual({ status: 'unknown', why: 'too many steps' });
    const known = patternTable(pattern, new Budget(100_000));
    expect(known.status).toBe('known');
    expect(patternTable(pattern)).toBe(known);
  });

  it('are kept a hundred at a time', () => {
    const fill = (count: number, prefix: string) => {
      for (let at = 0; at < count; at++) table(`${prefix}${at}`);
    };
    // So many that nothing of before is there.
    fill(100, 'other');
    const made = table('first of many');
    const isKept = () => table('first of many') === made;
    expect(isKept()).toBe(true);
    let more = 0;
    while (isKept() && more < 200) table(`more${more++}`);
    expect(more).toBeLessThanOrEqual(100);
    expect(more).toBeGreaterThan(0);
  });
});
