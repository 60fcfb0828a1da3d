import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainPattern } from '../../../tests/fixtures/patterns';
import { exampleTexts } from './example-text';

describe('texts made of a pattern', () => {
  it.each([
    ['[0-9]{16}', '4711908235471190'],
    ['[A-Z]{2}-?\\d{3}', 'SK119'],
    ['(?:north|south) [a-z]+', 'north ske'],
    ['[^0-9]{2}', 'SK'],
    ['(?<code>\\p{Lu}{3})(?=-)-[\\d&&[3-5]]', 'SKE-4'],
    ['.*', '4'],
  ])('%s: %s', (source, text) => {
    expect(exampleTexts(source)[0]).toBe(text);
  });
  it('are tried with as little as there has to be, too', () => {
    expect(exampleTexts('[0-9]+[a-z]*')).toEqual(['471r', '4']);
  });
  it('are accepted by patterns that look neither ahead nor back', () => {
    fc.assert(
      fc.property(plainPattern, (source) => {
        const whole = new RegExp(`^(?:${source})$`, 'v');
        for (const text of exampleTexts(source)) expect(whole.test(text), text).toBe(true);
      }),
    );
  });
  it('are none where the pattern does not compile, or refers back', () => {
    expect(exampleTexts('[a-')).toEqual([]);
    expect(exampleTexts('(.)\\1')).toEqual([]);
  });
  it('end, however often a part is to come', () => {
    expect(exampleTexts('(?:(?:a{1000}){1000}){1000}').every((text) => text.length <= 2000)).toBe(true);
  });
});
