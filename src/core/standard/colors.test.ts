import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simpleColor } from './colors';

describe('a colour', () => {
  it.each([
    ['teal', '#008080'],
    [' TEAL ', '#008080'],
    ['rgb(0 0 0 / 50%)', '#000000'],
    ['#abc', '#aabbcc'],
    ['abc', null],
    ['', null],
    ['/0A', null],
    ['rgb(0 0 0 / 1x)', null],
    ['rgb(0 0 0 / ', null],
  ])('%j is %j', (text, color) => {
    expect(simpleColor(text)).toBe(color);
  });

  it('may have a name that the target alone knows', () => {
    expect(simpleColor('canvas', { canvas: '#fffffe' })).toBe('#fffffe');
    expect(simpleColor('canvas')).toBeNull();
  });

  it('comes of any text at all, or nothing does', () => {
    const part = fc.oneof(
      fc.string({ maxLength: 3 }),
      fc.constantFrom(
        '/',
        '(',
        ')',
        'rgb(',
        'hsl(',
        'color(',
        'none',
        '0',
        '1x',
        '9e',
        '%',
        '#',
        '-',
        '+',
        '.',
        'deg',
        ' ',
      ),
    );
    fc.assert(
      fc.property(fc.array(part, { maxLength: 8 }), (parts) => {
        expect(simpleColor(parts.join('')) ?? '#000000').toMatch(/^#[0-9a-f]{6}$/);
      }),
      { numRuns: 2000 },
    );
  });
});
