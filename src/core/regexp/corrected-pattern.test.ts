import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { correctedPattern } from './corrected-pattern';

describe('a pattern that was meant otherwise', () => {
  it.each([
    ['[0-9()-/]+', '[0-9\\(\\)-\\/]+', '()/', ''],
    ['[0-9 ()-]{7,}', '[0-9 \\(\\)\\-]{7,}', '()-', ''],
    ['[-a-z]+', '[\\-a-z]+', '-', ''],
    ['[a-z-]+', '[a-z\\-]+', '-', ''],
    ['[^-]+', '[^\\-]+', '-', ''],
    ['[\\w-.]+@x', '[\\w\\-.]+@x', '-', ''],
    ['[a-z-9]+', '[a-z\\-9]+', '-', ''],
    ['\\d{3}\\-\\d{4}', '\\d{3}-\\d{4}', '', '-'],
    ["[A-Za-z\\'\\ ]+", "[A-Za-z' ]+", '', "' "],
    ['[a||b]', '[a\\|\\|b]', '|', ''],
    ['[a&&&b]', '[a&\\&\\&b]', '&', ''],
    ['[!!]', '[!\\!]', '!', ''],
    ['[/]', '[\\/]', '/', ''],
    ['[{}]', '[\\{\\}]', '{}', ''],
    ['\\_[a(]', '_[a\\(]', '(', '_'],
  ])('%s is %s: escaped %j, bare %j', (source, corrected, escaped, bare) => {
    const found = correctedPattern(source);
    expect(found && [found.source, found.escaped.join(''), found.bare.join('')]).toEqual([
      corrected,
      escaped,
      bare,
    ]);
  });

  it.each(['[a-z]+', '(', 'a{2,1}', '[z-a]', '*', '[a', '(?<n>a)(?<n>b)', ''])('is none of %s', (source) => {
    expect(correctedPattern(source)).toBeNull();
  });

  it('takes what the same pattern takes without the flag, wherever both compile', () => {
    const piece = fc.constantFrom('a', 'b-d', '-', '(', ')', '/', '|', '\\-', '\\d', '.', '&', '!', ' ');
    const texts = fc.stringMatching(/^[abcd()/|.&! 0-9-]{0,3}$/);
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 5 }), texts, (pieces, text) => {
        const source = `[${pieces.join('')}]+`;
        const found = correctedPattern(source);
        let plain: RegExp;
        try {
          plain = new RegExp(`^(?:${source})$`);
        } catch {
          return;
        }
        if (!found) return;
        expect([found.source, text, new RegExp(`^(?:${found.source})$`, 'v').test(text)]).toEqual([
          found.source,
          text,
          plain.test(text),
        ]);
      }),
      { numRuns: 3000 },
    );
  });
});
