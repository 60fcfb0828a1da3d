import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readable } from './readable';

describe('a text that is shown elsewhere', () => {
  it.each([
    ['\u001b[2Jgone', '\\u001b[2Jgone'],
    ['a\rb', 'a\\u000db'],
    ['\u009b31m', '\\u009b31m'],
    ['\u202egnp.exe', '\\u202egnp.exe'],
    ['\ud800', '\\ud800'],
    ['a\tb\nc', 'a\tb\nc'],
    ['Straße 日本 العربية 😀 Ω', 'Straße 日本 العربية 😀 Ω'],
  ])('%j', (text, shown) => {
    expect(readable(text)).toBe(shown);
  });

  it('steers nothing, and says as much the second time', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const shown = readable(text);
        expect(/\p{Surrogate}/u.test(shown)).toBe(false);
        expect(/[\p{Cc}\u202a-\u202e]/u.test(shown.replace(/[\t\n]/g, ''))).toBe(false);
        expect(readable(shown)).toBe(shown);
      }),
    );
  });
});
