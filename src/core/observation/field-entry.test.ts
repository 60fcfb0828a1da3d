import { describe, expect, it } from 'vitest';
import { fieldId } from '../html/field';
import { type FieldEntry, isRewritten } from './field-entry';

describe('what was entered', () => {
  it.each([
    ['keys', 'ada', 'ada', false],
    ['keys', 'ada', 'ADA', true],
    ['keys', 'ada', '', true],
    ['already there', 'ada', 'ADA', false],
  ] as const)('by %s: “%s” that is “%s” afterwards is rewritten: %s', (by, tried, became, expected) => {
    const entry: FieldEntry = { field: fieldId('a'), status: 'entered', by, tried, became };
    expect(isRewritten(entry)).toBe(expected);
  });

  it('is not rewritten where nothing was entered', () => {
    expect(isRewritten({ field: fieldId('a'), status: 'left', why: 'read only' })).toBe(false);
  });
});
