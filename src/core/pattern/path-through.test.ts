import { describe, expect, it } from 'vitest';
import { partsOf, takingParts } from './parts';
import { pathFinder, untouchedParts } from './path-through';

function rowsOf(source: string) {
  const rows = partsOf(source);
  if (!rows) throw new Error(source);
  return rows;
}

/** The way of a text by what is written of each part that took a character, and what can come next. */
function through(source: string, text: string) {
  const rows = rowsOf(source);
  const written = new Map(takingParts(rows).map(({ id, raw }) => [id, raw]));
  const { parts, next, isWhole } = pathFinder(rows)(text);
  const raw = (ids: Iterable<number>) => [...ids].map((id) => written.get(id) ?? '?').join(' ');
  return [raw(parts), raw(next), isWhole];
}

describe('the way of a text through a pattern', () => {
  it.each([
    ['ab', '', ['', 'a', false]],
    ['ab', 'a', ['a', 'b', false]],
    ['ab', 'ab', ['a b', '', true]],
    // It goes as far as it can.
    ['ab', 'abx', ['a b', '', false]],
    ['ab', 'xb', ['', 'a', false]],
    ['', '', ['', '', true]],
    // Of several ways the one that comes first in the pattern.
    ['(?:a|[ab])c', 'ac', ['a c', '', true]],
    ['(?:[ab]|a)c', 'ac', ['[ab] c', '', true]],
    ['(?:a|[ab])c', 'bc', ['[ab] c', '', true]],
    ['ab|ac', 'a', ['a', 'b c', false]],
    ['ab|ac', 'ac', ['a c', '', true]],
    // What can come next, while something is repeated.
    ['a*b', '', ['', 'a b', false]],
    ['a*b', 'aa', ['a a', 'a b', false]],
    ['a+b', '', ['', 'a', false]],
    ['a?b', 'a', ['a', 'b', false]],
    ['a{2,3}b', 'a', ['a', 'a', false]],
    ['a{2,3}b', 'aa', ['a a', 'a b', false]],
    ['a{2,3}b', 'aaa', ['a a a', 'b', false]],
    ['a{2}', 'aa', ['a a', '', true]],
    ['a{0}b', 'b', ['b', '', true]],
    ['(?:ab?){2}', 'aab', ['a a b', '', true]],
    ['(?:a*)*', 'aa', ['a a', 'a', true]],
    // What looks around or refers back takes nothing.
    ['^(?=b)a$', 'a', ['a', '', true]],
    ['(a)\\1b', 'ab', ['a b', '', true]],
    // A character of two code units is one.
    ['😀b', '😀b', ['😀 b', '', true]],
  ] as const)('%s, %s: %j', (source, text, expected) => {
    expect(through(source, text)).toEqual(expected);
  });

  it('is drawn up to two hundred times, counts within counts multiplied: from there on any number will do', () => {
    const whole = (source: string, count: number) => through(source, `${'a'.repeat(count)}b`)[2];
    expect([199, 200, 250].map((count) => whole('a{300}b', count))).toEqual([false, true, true]);
    expect([199, 200, 201].map((count) => whole('a{200}b', count))).toEqual([false, true, false]);
    expect([200, 201].map((count) => whole('a{0,200}b', count))).toEqual([true, false]);
    expect(whole('a{0,201}b', 201)).toBe(true);
    expect([99, 100, 101].map((count) => whole('(?:a{10}){10}b', count))).toEqual([false, true, false]);
    // Two hundred times in all: the inner count has room for ten.
    expect(whole('(?:a{20}){20}b', 200)).toBe(true);
  });
});

describe('parts that no text went through', () => {
  it('are told of texts alone that the pattern takes as a whole', () => {
    const rows = rowsOf('ab|c|[de]f?');
    const raw = (texts: readonly string[]) => {
      const left = untouchedParts(rows, texts);
      return takingParts(rows).flatMap(({ id, raw: written }) => (left.includes(id) ? [written] : []));
    };
    expect(raw([])).toEqual(['a', 'b', 'c', '[de]', 'f']);
    expect(raw(['a', 'x', 'cc'])).toEqual(['a', 'b', 'c', '[de]', 'f']);
    expect(raw(['ab', 'e'])).toEqual(['c', 'f']);
    expect(raw(['ab', 'c', 'df'])).toEqual([]);
  });
});
