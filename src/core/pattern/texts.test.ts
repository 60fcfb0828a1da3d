import { describe, expect, it } from 'vitest';
import { patternTable } from './pattern-table';
import { acceptsText, dead, type Table, tableOf } from './table';
import { acceptsSomeOf } from './text-over';
import { edgesOf, shortestFrom, shortestText, typicalTexts } from './texts';

function tableOfPattern(source: string): Table {
  const rule = patternTable({ source, match: 'whole' });
  if (rule.status !== 'known') throw new Error(`${source} is not known.`);
  return rule.table;
}
const typical = (source: string, most = 20) => typicalTexts(tableOfPattern(source), most);
const none = tableOf({ bounds: [0], next: [[dead]], accepts: [false], start: 0 });

describe('a few texts that a rule accepts', () => {
  it.each([
    // A space is seen; what is not is never typed as long as there is something else.
    ['[\\u0000-\\u001f\\u2028 a]{1,3}', /^[ a]+$/],
    ['[\\u200b\\u00e9]{1,4}', /^é+$/],
    // Where nothing is seen there is nothing else.
    ['[\\u200b]{1,4}', /^\u200b+$/],
    // Of signs, letters and digits are typed first.
    ['[!-~]{1,8}', /^[A-Za-z0-9]+$/],
    ['[!-.]{1,8}', /^[!-.]+$/],
    ['[\\u00e0-\\u00ff]{2,6}', /^[à-ÿ]+$/],
    ['[\\u{1f600}-\\u{1f64f}]{1,3}', /^\p{Emoji}+$/u],
  ])('%s: are made of what people type', (source, made) => {
    const found = typical(source);
    expect(found.length).toBeGreaterThan(1);
    for (const text of found) expect(text).toMatch(made);
  });

  it('are plain most of the time, and not always', () => {
    const letters = typical('[a-zäöüß]{8}', 60).join('');
    const plain = letters.replace(/[^a-z]/g, '').length / letters.length;
    expect(plain).toBeGreaterThan(0.85);
    expect(plain).toBeLessThan(1);
  });

  it('are of several lengths, and end where the rule lets them, or soon', () => {
    const any = typical('a{3,}');
    expect(any[0]).toBe('aaa');
    expect(any.length).toBeGreaterThan(3);
    for (const text of any) expect(text.length).toBeLessThanOrEqual(12);
    // One that has got long makes for the end.
    const long = typical('[ab]{40}c');
    expect(long.length).toBeGreaterThan(5);
    for (const text of long) expect(text).toMatch(/^[ab]{40}c$/);
    // Having typed so much, nobody goes on.
    expect(new Set(typical('(?:[ab]{14})+', 40).map(({ length }) => length))).toEqual(new Set([14]));
  });

  it('begin with all of the alphabet, the first letters more often', () => {
    const firsts = typical('[a-z][0-9]', 200).map(([first = '']) => first);
    expect(new Set(firsts).size).toBeGreaterThan(12);
    const choices = typical('(?:a|5|-|é)x{1,9}', 200).map(([first = '']) => first);
    expect(new Set(choices)).toEqual(new Set(['a', '5', '-', 'é']));
  });

  it('are as many as are asked for, and no two alike', () => {
    for (const most of [1, 2, 7]) expect(typical('[a-z]{1,9}', most)).toHaveLength(most);
    expect(typical('[01]{2}', 50)).toEqual(['00', '01', '10', '11']);
    expect(typical('yes|no', 50)).toEqual(['no', 'yes']);
  });

  it('are others for another rule', () => {
    expect(typical('[a-z]{5}', 5)).not.toEqual(typical('[a-z]{5}|[0-9]{7}', 5));
  });

  it('are none where nothing is accepted', () => {
    expect([typicalTexts(none, 5), shortestText(none), shortestFrom(none, dead)]).toEqual([[], null, null]);
  });
});

describe('edges out of a state', () => {
  it('reach to the last character there is', () => {
    const table = tableOfPattern('[^a]');
    const ends = edgesOf(table, table.start).map(({ max }) => max);
    expect(Math.max(...ends)).toBe(0x10ffff);
  });

  it('are split where one code unit becomes two, and only there', () => {
    const any = edgesOf(tableOfPattern('[\\uffff-\\u{10000}]'), 0).map(({ min, max }) => [min, max]);
    expect(any.toSorted(([a = 0], [b = 0]) => a - b)).toEqual([
      [0xffff, 0xffff],
      [0x10000, 0x10000],
    ]);
    const upper = edgesOf(tableOfPattern('[\\u{10000}-\\u{1ffff}]'), 0);
    expect(upper.map(({ min, max }) => [min, max])).toEqual([[0x10000, 0x1ffff]]);
  });
});

describe('whether a rule accepts something of given characters', () => {
  it.each([
    ['[0-9]+', '12', true],
    ['[0-9]+', 'ab', false],
    ['a?', 'b', false],
    ['(?:ab)*', 'ab', true],
    ['(?:ab)*', 'a', false],
    ['a*', 'a', true],
    ['ab|cd', 'cb', false],
    ['ab|cd', 'xdc', true],
    ['', 'a', false],
  ])('%s of %s: %s', (source, characters, isSome) => {
    const table = tableOfPattern(source);
    expect(acceptsSomeOf(table, characters)).toBe(isSome);
    if (isSome) expect(acceptsText(table, shortestText(table) ?? '')).toBe(true);
  });

  it('takes only what is one code point', () => {
    const table = tableOfPattern('[ab]+');
    expect([['ab'], ['', 'x'], ['ab', 'b']].map((all) => acceptsSomeOf(table, all))).toEqual([
      false,
      false,
      true,
    ]);
  });

  it('accepts nothing where the rule does not', () => {
    expect(acceptsSomeOf(tableOf({ bounds: [0], next: [[dead]], accepts: [true], start: dead }), 'a')).toBe(
      false,
    );
  });
});
