import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patternTable } from './pattern-table';
import { wordsWith } from './words-with';

function tableOf(source: string) {
  const found = patternTable({ source, match: 'whole' });
  if (found.status !== 'known') throw new Error(JSON.stringify(found));
  return found.table;
}

describe('the shortest words of a pattern with a character of a sort', () => {
  it.each([
    ['[0-9]{4}', /\D/, []],
    ['[A-Z]{3}-[0-9]{2}', /-/, ['AAA-11']],
    ['-?\\d+', /-/, ['-1']],
    ['[+0-9][0-9 ]{5,18}', /[+ ]/, ['+11111', '1 1111']],
    ['(?:ab|a😀c)+', /\P{ASCII}/u, ['a😀c']],
    ['', /./, []],
    ['[]', /./, []],
  ])('of %s', (source, wanted, words) => {
    expect(wordsWith(tableOf(source), (character) => wanted.test(character), 10)).toEqual(words);
  });

  it('are words of it, have the character, and none is shorter', () => {
    const part = fc.constantFrom('a', 'b', '[ab]', 'c', '[^a]', '\\d', '(?:a|bc)', '(?:b|)');
    const times = fc.constantFrom('', '?', '*', '+', '{2}', '{1,3}');
    const pattern = fc
      .array(fc.tuple(part, times), { minLength: 1, maxLength: 4 })
      .map((parts) => parts.map(([one, count]) => (one.startsWith('(?:b|)') ? one : one + count)).join(''));
    fc.assert(
      fc.property(pattern, fc.constantFrom('a', 'b', 'c', '1'), (source, wanted) => {
        const whole = new RegExp(`^(?:${source})$`, 'v');
        const [shortest] = wordsWith(tableOf(source), (character) => character === wanted, 5);
        const tried = allTexts('abc1', 4).filter((text) => whole.test(text) && text.includes(wanted));
        if (shortest === undefined) expect(tried).toEqual([]);
        else {
          expect(whole.test(shortest) && shortest.includes(wanted)).toBe(true);
          expect(shortest.length).toBeLessThanOrEqual(Math.min(...tried.map((text) => text.length)));
        }
      }),
      { numRuns: 200 },
    );
  });
});

/** Every text of these letters up to a length, the empty one too. */
function allTexts(letters: string, length: number): string[] {
  if (length === 0) return [''];
  const shorter = allTexts(letters, length - 1);
  const longest = shorter.filter((text) => text.length === length - 1);
  return [...shorter, ...longest.flatMap((text) => [...letters].map((letter) => text + letter))];
}
