import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lenses, lensStates } from '@/core/compare/lens';
import { languages } from '@/core/target/variant';
import { gridStep } from './grid-step';
import {
  findingFilters,
  keyboardParts,
  nothingSelected,
  readSelection,
  type Selection,
  selectionQuery,
  typingParts,
} from './use-selection';

const read = (query: string) => readSelection(new URLSearchParams(query));

describe('the selection in the address', () => {
  it('is nothing without a query, and nothing writes no query', () => {
    expect(read('')).toEqual(nothingSelected);
    expect(selectionQuery(nothingSelected)).toBe('');
  });

  it('opens what was seen', () => {
    expect(
      read(
        '?form=a&field=level&target=chromium&lens=message&state=invalid&stroke=5&differences=on&closeup=on',
      ),
    ).toMatchObject({
      form: 'a',
      field: 'level',
      target: 'chromium',
      lens: 'message',
      state: 'invalid',
      stroke: 5,
      onlyDifferences: true,
      closeUp: true,
    });
  });

  it('takes what it does not know for nothing', () => {
    expect(read('?lens=xray&state=ajar&stroke=-1')).toEqual(nothingSelected);
    expect(read('?stroke=abc&field=')).toEqual(nothingSelected);
  });

  it('reads back what it wrote, whatever fields and forms are called', () => {
    const id = fc.option(fc.string({ minLength: 1, unit: 'grapheme' }), { nil: null });
    const selection = fc.record({
      form: id,
      run: id,
      field: id,
      target: id,
      lens: fc.constantFrom(...lenses),
      state: fc.constantFrom(...lensStates),
      stroke: fc.option(fc.nat(), { nil: null }),
      against: id,
      typing: fc.constantFrom(...typingParts),
      keyboards: fc.constantFrom(...keyboardParts),
      language: fc.constantFrom(...languages, null),
      byDifferences: fc.boolean(),
      onlyDifferences: fc.boolean(),
      closeUp: fc.boolean(),
      finding: id,
      overview: fc.boolean(),
      findings: fc.constantFrom(...findingFilters),
      tour: fc.option(fc.nat(), { nil: null }),
    }) as fc.Arbitrary<Selection>;
    fc.assert(
      fc.property(selection, (one) => {
        expect(read(selectionQuery(one))).toEqual(one);
      }),
    );
  });
});

describe('arrow keys in a grid', () => {
  it('go one cell their way; other keys go nowhere', () => {
    expect(['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'].map(gridStep)).toEqual([
      { down: -1, right: 0 },
      { down: 1, right: 0 },
      { down: 0, right: -1 },
      { down: 0, right: 1 },
    ]);
    expect(gridStep('Enter')).toBeNull();
  });
});
