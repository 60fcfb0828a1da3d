import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hostilePatterns, hostileTexts } from '../../../tests/fixtures/hostile-patterns';
import { matchesByDefinition } from '../../../tests/fixtures/pattern-by-definition';
import { anyPattern, anyText } from '../../../tests/fixtures/patterns';
import { GaveUp } from './budget';
import { compiledPattern, countedSteps } from './compiled-pattern';
import { runProgram } from './machine';
import { nativePattern } from './native-pattern';
import { programOf } from './program';
import { deepest, syntaxOf } from './syntax';

const run = (source: string, text: string, remembers: boolean, match: 'whole' | 'part' = 'whole') =>
  runProgram(programOf(syntaxOf(source), { match }), match, text, { most: 20_000, remembers }).matches;

describe('a matcher that counts', () => {
  it.each([true, false])('comes out as the standard defines it, remembering: %s', (remembers) => {
    fc.assert(
      fc.property(
        anyPattern,
        anyText,
        fc.constantFrom('whole' as const, 'part' as const),
        (source, text, match) => {
          const matches = run(source, text, remembers, match);
          if (matches === null) return;
          expect([source, text, match, matches]).toEqual([
            source,
            text,
            match,
            matchesByDefinition(source, match, text),
          ]);
        },
      ),
      { numRuns: 3000 },
    );
  });

  it('comes out as the engine does, groups that are referred to and looks with groups among them', () => {
    const piece = fc.constantFrom(
      ...[
        'a',
        'b',
        '(a)',
        '(b|ab)',
        '(a*)',
        '\\1',
        '\\2',
        '(?=(a|b))',
        '(?!(b)a)',
        '(?<=(a)b?)',
        '(?<!\\1)',
        '(?:a|(b))',
        '[ab]',
        '(?<n>b)',
        '$',
        '^',
        '\\b',
      ],
    );
    const quantifier = fc.constantFrom('', '', '', '*', '+', '?', '{2}', '{1,3}', '{0,2}?', '*?', '{2,}');
    const isCounted = (one: string) => !['$', '^', '\\b'].includes(one) && !/^\(\?[=!<][^n]/.test(one);
    const row = fc
      .array(
        fc.tuple(piece, quantifier).map(([one, times]) => (isCounted(one) ? one + times : one)),
        { maxLength: 6 },
      )
      .map((pieces) => pieces.join(''));
    const pattern = fc.oneof(
      row,
      fc.tuple(row, row).map(([one, other]) => `(?:${one}|${other})+`),
    );
    const texts = fc.array(fc.constantFrom('a', 'b', ' '), { maxLength: 7 }).map((all) => all.join(''));
    let compared = 0;
    fc.assert(
      fc.property(
        pattern,
        texts,
        fc.constantFrom('whole' as const, 'part' as const),
        (source, text, match) => {
          const own = nativePattern({ source, match });
          if (!own) return;
          compared++;
          for (const remembers of [true, false]) {
            const matches = run(source, text, remembers, match);
            if (matches !== null)
              expect([source, text, match, matches]).toEqual([source, text, match, own.test(text)]);
          }
        },
      ),
      { numRuns: 6000 },
    );
    expect(compared).toBeGreaterThan(1000);
  });

  it.each([
    ['a(?=b)b', 'ab', true],
    ['\\bab\\b', 'ab', true],
    ['(?!ab)[ab]+', 'ab', false],
    ['a{2,3}?', 'aaa', true],
    ['(?:a?){3}', 'a', true],
    ['😀+', '😀😀', true],
    ['[\\q{abc|ab|a}][\\q{c|bc}]', 'abc', true],
    ['\\p{RGI_Emoji}+', '👩🏽‍🚀🏴󠁧󠁢󠁳󠁣󠁴󠁿', true],
    ['(?<=\\1(a+))b', 'b', false],
    ['(?:(a)|b)*\\1', 'ab', true],
  ])('%s over %s: %s', (source, text, matches) => {
    expect(run(source, text, true)).toBe(matches);
    expect(run(source, text, false)).toBe(matches);
  });

  it('remembers, so that what an engine never ends over is worked out', () => {
    for (const source of ['(a+)+$', '((a+)+)+', '(?:a|a)*b', '(.*)*x', '(?:\\w*\\w+)+', '(a|aa)+$'])
      expect(compiledPattern({ source, match: 'whole' })?.test(`${'a'.repeat(1000)}!`)).toBe(false);
    expect(compiledPattern({ source: '(a+)+', match: 'whole' })?.test('a'.repeat(1000))).toBe(true);
  });

  it('counts what an engine takes, and is given up after so many steps', () => {
    expect(countedSteps({ source: '(a+)+b', match: 'whole' })?.('a'.repeat(40), 5000)).toMatchObject({
      matches: null,
      steps: 5001,
    });
    expect(countedSteps({ source: '(', match: 'whole' })).toBeNull();
  });
});

describe('a compiled pattern', () => {
  it('is null where the engine does not compile it, a parenthesis too many among that', () => {
    for (const source of ['(', 'a)(b', '[a-', '\\p{Nothing}'])
      expect(compiledPattern({ source, match: 'whole' })).toBeNull();
  });

  it.each(hostilePatterns)('%.40s is worked out or given up over every text', (source) => {
    for (const match of ['whole', 'part'] as const)
      for (const text of hostileTexts) {
        const test = compiledPattern({ source, match })?.test;
        let answer: unknown = null;
        try {
          answer = test?.(text);
        } catch (error) {
          if (!(error instanceof GaveUp)) throw error;
          expect(error.code).toMatch(/^(?:too many steps|too large|nested)/);
        }
        expect([true, false, null, undefined]).toContain(answer);
      }
  });

  it('is not read where it is nested too deeply, escapes and all', () => {
    const nested = (depth: number) => `${'(?:'.repeat(depth)}\\(a${')'.repeat(depth)}`;
    expect(compiledPattern({ source: nested(deepest), match: 'whole' })?.test('(a')).toBe(true);
    expect(() => compiledPattern({ source: nested(deepest + 1), match: 'whole' })?.test('(a')).toThrow(
      GaveUp,
    );
  });
});
