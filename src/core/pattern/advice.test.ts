import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainPattern } from '../../../tests/fixtures/patterns';
import { longestText, ruleSamples } from '../rules/rule-samples';
import { growthOf, slowTexts } from './blow-up';
import { patternTable } from './pattern-table';
import { patternWarnings } from './pattern-warnings';
import { slowText } from './slow-text';
import { acceptsText, type Table } from './table';
import { standingOf } from './three-way';

function table(source: string): Table {
  const found = patternTable({ source, match: 'whole' });
  if (found.status !== 'known') throw new Error(JSON.stringify(found));
  return found.table;
}

describe('warnings of a pattern', () => {
  const warned = (source: string, match: 'whole' | 'part' = 'whole') =>
    patternWarnings({ source, match }).map(({ sort, witness, remedy }) => [sort, witness, remedy]);

  it.each([
    ['[a-z]+(?!.*)a', [['accepts nothing', null, null]]],
    ['a^b|c', [['never matches', null, null]]],
    ['[0-9]*', [['accepts no text', '', null]]],
    ['\\w+.example', [['dot takes anything', 'aaexample', '\\w+\\.example']]],
    ['skerry.example', [['dot takes anything', 'skerryaexample', 'skerry\\.example']]],
    ['[A-z]{2}', [['A to z', 'a_', '[A-Za-z]{2}']]],
    ['\\p{Nd}{4}', [['digits of other scripts', '111٠', '[0-9]{4}']]],
    ['[\\p{Nd}\\-]+', [['digits of other scripts', '٠', '[0-9\\-]+']]],
    ['[a-]{3}', [['is ignored', 'a', '[a\\-]{3}']]],
    ['[a-z', [['is ignored', null, null]]],
    ['[A-Z]{2}[0-9]-[0-9]{4}', []],
    ['[-a]{3}', [['is ignored', 'a', '[\\-a]{3}']]],
    ['a{2', [['is ignored', null, null]]],
    // A dot stands for one only beside what is written.
    ['.', []],
    ['.{3}x', [['dot takes anything', 'aaax', null]].slice(1)],
    ['@.x', [['dot takes anything', '@ax', '@\\.x']]],
    ['[ab].', [['dot takes anything', 'aa', '[ab]\\.']]],
    ['[^ab].@', []],
    ['(?:x.y)+', [['dot takes anything', 'xay', '(?:x\\.y)+']]],
    ['(?:x|y.z)', [['dot takes anything', 'yaz', '(?:x|y\\.z)']]],
    ['(?=x.y)x\\.y', []],
    ['\\[A-z', []],
    ['[0-9A-z_]', [['A to z', '[', '[0-9A-Za-z_]']]],
    ['\\p{N}', [['digits of other scripts', '²', '[0-9]']]],
    ['\\p{Number}x', [['digits of other scripts', '²x', '[0-9]x']]],
    ['\\p{gc=Nd}', [['digits of other scripts', '٠', '[0-9]']]],
    ['\\p{General_Category=N}', [['digits of other scripts', '²', '[0-9]']]],
    ['\\p{L}', []],
    ['(?:a$b){2}', [['accepts nothing', null, null]]],
    [
      'x|a$b|^',
      [
        ['accepts no text', '', null],
        ['never matches', null, null],
      ],
    ],
    ['.*', [['accepts no text', '', null]]],
    ['.+@.+', []],
  ])('%s', (source, expected) => {
    expect(warned(source)).toEqual(expected);
  });

  it.each([
    ['^a|b$', [['anchors bind one alternative', 'aa', '^(?:a|b)$']]],
    ['^(?:a|b)$', []],
    ['^a$|^b$', []],
    ['a|b', []],
    ['^a|b', [['anchors bind one alternative', 'aa', '^(?:a|b)$']]],
    ['a|b$', [['anchors bind one alternative', 'aa', '^(?:a|b)$']]],
    ['^a|^b', [['anchors bind one alternative', 'aa', '^(?:a|^b)$']]],
    ['^a', []],
    ['a\\b|b', []],
  ])('%s held against a part', (source, expected) => {
    expect(warned(source, 'part')).toEqual(expected);
  });

  it('have witnesses that the pattern accepts and the remedy refuses', () => {
    for (const source of ['\\w+.example', '[A-z]+', '\\p{Nd}+', 'x[B-y]|a.b']) {
      for (const { witness, remedy } of patternWarnings({ source, match: 'whole' })) {
        expect(acceptsText(table(source), witness ?? '')).toBe(true);
        expect(remedy !== null && acceptsText(table(remedy), witness ?? '')).toBe(false);
      }
      expect(patternWarnings({ source, match: 'whole' })).not.toEqual([]);
    }
  });

  it('point to the part that they are about', () => {
    const source = 'ab|[A-z]{2}';
    const [warning] = patternWarnings({ source, match: 'whole' });
    expect(warning?.span && source.slice(warning.span.start, warning.span.end)).toBe('[A-z]');
  });
});

describe('a pattern that a matcher takes very long over', () => {
  it.each([
    ['(a+)+', 'a'],
    ['(?:[a-z]+ ?)*', 'a'],
    ['x(?:\\w|\\d)*y', '1'],
    ['(.*,)*', ','],
  ])('%s has such texts', (source, piece) => {
    expect(slowTexts(source).some(({ again }) => again.includes(piece) || again.length > 0)).toBe(true);
    for (const text of slowTexts(source))
      expect(slowText(text, 3).startsWith(text.before + text.again.repeat(3))).toBe(true);
  });

  it('is told from a single slow answer, and from one that was slow from the beginning', async () => {
    const text = { before: '', again: 'a', after: '!' };
    const until = Date.now() + 60_000;
    // Nothing at first, all of it at once at fifteen: no measurement lies in between.
    const sudden = await growthOf(text, (tried) => (tried.length > 15 ? 33 : 0), until);
    expect([sudden.grows, sudden.took.at(-1)]).toEqual(['doubles', [15, 33]]);
    const cubic = await growthOf(text, (tried) => tried.length ** 3 / 1e6, until);
    expect(cubic.grows).toBe('with a power');
    const heavy = await growthOf(text, () => 40, until);
    expect([heavy.grows, heavy.took.length]).toEqual(['in proportion', 1]);
  });

  it('is timed on this engine', async () => {
    const grows = async (source: string) => {
      const expression = new RegExp(`^(?:${source})$`, 'v');
      const time = (text: string) => {
        const begin = performance.now();
        expression.test(text);
        return performance.now() - begin;
      };
      const growths = slowTexts(source).map((text) => growthOf(text, time, Date.now() + 10_000));
      return (await Promise.all(growths)).map(({ grows }) => grows);
    };
    expect(await grows('(?:[a-z]+)+')).toContain('doubles');
    expect(new Set(await grows('[a-z]+-[0-9]*'))).toEqual(new Set(['in proportion']));
  });

  it('has no such texts where nothing is repeated without end', () => {
    expect(slowTexts('[a-z]{2,10}')).toEqual([]);
    expect(slowTexts('a{2')).toEqual([]);
  });
});

describe('samples made from a rule', () => {
  it('have the verdict that the rule has for them, each once', () => {
    fc.assert(
      fc.property(plainPattern, (source) => {
        const rule = table(source);
        const made = ruleSamples(rule);
        for (const { text, expected } of made)
          expect([text, standingOf(rule, text).verdict]).toEqual([text, expected]);
        expect(new Set(made.map(({ text }) => text)).size).toBe(made.length);
        if (made.length > 0) expect(made.some(({ sort }) => sort === 'typical')).toBe(true);
      }),
      { numRuns: 200 },
    );
  });

  it('go to the edges of classes and counts, and one edit beyond', () => {
    const made = ruleSamples(table('[B-D][0-9]{2,3}'));
    const of = (sort: string) => made.filter((one) => one.sort === sort).map(({ text }) => text);
    expect(made.map(({ about }) => about)).toEqual(
      expect.arrayContaining(['the longest', 'last of its range: D', 'last of its range: 9']),
    );
    expect(of('edge').some((text) => /^D/.test(text)) && of('edge').some((text) => text.length === 4)).toBe(
      true,
    );
    expect(of('near miss').length).toBeGreaterThan(3);
  });

  it.each([
    ['[A-Z]{2}\\d', 3],
    ['a|bcd', 3],
    ['a*', null],
    ['.{0,400}', null],
    ['[]', null],
  ])('the longest of %s has %s characters', (source, length) => {
    expect(longestText(table(source))?.length ?? null).toBe(length);
  });

  it('are none where nothing is accepted', () => {
    expect(ruleSamples(table('[]'))).toEqual([]);
  });
});
