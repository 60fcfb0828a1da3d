import { describe, expect, it } from 'vitest';
import { appliesTo, attributesFor, isKnownAttribute } from './attribute-registry';
import { linePositions } from './line-positions';

describe('attribute registry', () => {
  it('knows which kinds an attribute acts on', () => {
    expect(appliesTo('maxlength', 'number')).toBe(false);
    expect(appliesTo('maxlength', 'textarea')).toBe(true);
    expect(appliesTo('pattern', 'textarea')).toBe(false);
    expect(appliesTo('min', 'week')).toBe(true);
    expect(attributesFor('meter')).toEqual(expect.arrayContaining(['low', 'high', 'optimum']));
  });

  it('tells the standard’s and authors’ names from unknown ones, and is not fooled by names of objects', () => {
    expect(['data-x', 'aria-label', 'tabindex', 'min'].every(isKnownAttribute)).toBe(true);
    expect(['flavour', 'constructor', '__proto__'].some(isKnownAttribute)).toBe(false);
    expect(appliesTo('constructor', 'text')).toBe(false);
  });
});

describe('linePositions', () => {
  it('counts lines and columns from one', () => {
    const at = linePositions('ab\n\ncd');
    expect([0, 2, 3, 4, 5].map((offset) => at(offset))).toEqual([
      { line: 1, column: 1 },
      { line: 1, column: 3 },
      { line: 2, column: 1 },
      { line: 3, column: 1 },
      { line: 3, column: 2 },
    ]);
  });
});
