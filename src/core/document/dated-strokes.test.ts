import { describe, expect, it } from 'vitest';
import { datedStrokes } from './dated-strokes';

const typed = (...of: Parameters<typeof datedStrokes>) => datedStrokes(...of).map((keys) => keys.join(' '));

describe('keys for a date or a time', () => {
  it.each([
    ['date', '2026-03-14', '0 3 1 4 2 0 2 6'],
    ['date', '2026-03-14', '1 4 0 3 2 0 2 6'],
    ['date', '2026-03-14', '2 0 2 6 ArrowRight 0 3 1 4'],
    ['date', '2026-03-14', '2 0 2 6 - 0 3 - 1 4'],
    ['month', '2026-03', '0 3 2 0 2 6'],
    ['month', '2026-03', '2 0 2 6 ArrowRight 0 3'],
    ['week', '2026-W11', '1 1 2 0 2 6'],
    ['week', '2026-W11', '2 0 2 6 ArrowRight 1 1'],
    ['time', '06:45', '0 6 4 5 a'],
    ['time', '18:20', '0 6 2 0 p'],
    ['time', '00:05', '1 2 0 5 a'],
    ['time', '12:05', '1 2 0 5 p'],
    ['time', '18:20', '1 8 2 0'],
    ['time', '18:20:07', '1 8 2 0 0 7'],
    ['datetime-local', '2026-03-14T18:20', '0 3 1 4 2 0 2 6 ArrowRight 0 6 2 0 p'],
    ['date', '2026-03-14', '0 3 ArrowRight 1 4 ArrowRight 2 0 2 6'],
    ['time', '06:45', '0 6 ArrowRight 4 5 ArrowRight a'],
    ['datetime-local', '2026-03-14T18:20', '1 4 0 3 2 0 2 6 1 8 2 0'],
  ] as const)('%s %s can be typed as %s', (kind, value, keys) => {
    expect(typed(kind, value)).toContain(keys);
  });

  it('begin with the order of the most common language, and end with the value as it is written', () => {
    const date = typed('date', '2026-03-14');
    expect([date[0], date.at(-1)]).toEqual(['0 3 1 4 2 0 2 6', '2 0 2 6 - 0 3 - 1 4']);
  });

  it('are no row twice, and each row but the last holds the digits of the value alone', () => {
    for (const [kind, value] of [
      ['date', '2026-03-14'],
      ['time', '18:20:07'],
      ['datetime-local', '2026-03-14T18:20'],
    ] as const) {
      const rows = typed(kind, value);
      expect(new Set(rows).size).toBe(rows.length);
      for (const row of rows.slice(0, -1)) expect(row.replace(/ArrowRight|[ap]$| /g, '')).toMatch(/^\d+$/);
    }
  });

  it.each([
    ['text', '2026-03-14'],
    ['date', ''],
    ['date', 'soon'],
    ['week', '2026-03-14'],
    ['datetime-local', '2026-03-14'],
  ] as const)('are none for %s “%s”', (kind, value) => {
    expect(datedStrokes(kind, value)).toEqual([]);
  });
});
