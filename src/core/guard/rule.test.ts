import { describe, expect, it } from 'vitest';
import { guardOf, noSpaces, onlyDigits, type Rule } from '../../../tests/fixtures/guard-of';
import { type Guard, isStrict, type Remedy, remedyOf } from './guard';
import { holds, mayStand, mended } from './rule';

describe('a rule', () => {
  it.each<[Rule, string, holds: boolean, stands: boolean]>([
    [onlyDigits, '12', true, true],
    [onlyDigits, '1a', false, false],
    [onlyDigits, '', true, true],
    [noSpaces, 'a b', false, false],
    [noSpaces, 'ab', true, true],
    [{ kind: 'length', most: 2, unit: 'graphemes' }, 'ab', true, true],
    [{ kind: 'length', most: 2, unit: 'graphemes' }, 'abc', false, false],
    [{ kind: 'decimals', most: 2 }, '1.25', true, true],
    [{ kind: 'decimals', most: 2 }, '1.255', false, false],
    [{ kind: 'decimals', most: 2 }, '-', false, true],
    [{ kind: 'decimals', most: 0 }, '1.', false, false],
    [{ kind: 'decimals', most: 0 }, '1', true, true],
    [{ kind: 'decimals', most: 2, whole: 2 }, '12.5', true, true],
    [{ kind: 'decimals', most: 2, whole: 2 }, '123', false, false],
    [{ kind: 'range', min: 1, max: 8 }, '1', true, true],
    [{ kind: 'range', min: 1, max: 8 }, '8', true, true],
    [{ kind: 'range', min: 1, max: 8 }, '8.1', false, false],
    [{ kind: 'range', min: 1, max: 8 }, '0', false, true],
    [{ kind: 'range', min: null, max: 8 }, '-99', true, true],
    [{ kind: 'range', min: 1, max: null }, '99', true, true],
    [{ kind: 'range', min: 1, max: null }, 'x', false, false],
    [{ kind: 'pattern', source: 'ab', match: 'whole' }, 'a', false, false],
    [{ kind: 'pattern', source: 'ab', match: 'whole' }, 'ab', true, true],
    [{ kind: 'pattern', source: '(', match: 'whole' }, 'a', true, true],
    [{ kind: 'words', words: ['north', 'east'], sense: 'one of' }, 'ea', false, true],
    [{ kind: 'words', words: ['north', 'east'], sense: 'one of' }, 'east', true, true],
    [{ kind: 'words', words: ['north'], sense: 'one of' }, 'o', false, false],
    [{ kind: 'words', words: ['test', ''], sense: 'none of' }, 'entry', true, true],
    [{ kind: 'words', words: ['Test'], sense: 'none of' }, 'a tEst', false, false],
    [{ kind: 'date', format: 'dd.mm.yyyy' }, '29.02', false, true],
    [{ kind: 'check digit', method: 'mod 10' }, '1', false, true],
    [{ kind: 'case', to: 'upper' }, 'AB', true, true],
    [{ kind: 'case', to: 'upper' }, 'Ab', false, false],
    [{ kind: 'case', to: 'lower' }, 'Ab', false, false],
    [{ kind: 'case', to: 'lower' }, 'ab', true, true],
    [{ kind: 'mask', mask: '00-0' }, '12', false, true],
    [{ kind: 'mask', mask: '00-0' }, '12-3', true, true],
    [{ kind: 'mask', mask: '00-0' }, '12-34', false, false],
  ])('%j, of %j: holds %s, may stand %s', (rule, text, does, may) => {
    expect([holds(guardOf(rule), text), mayStand(guardOf(rule), text)]).toEqual([does, may]);
  });

  it.each<[Rule, string, string]>([
    [onlyDigits, 'a1b2', '12'],
    [noSpaces, ' a b ', 'ab'],
    [{ kind: 'length', most: 2, unit: 'graphemes' }, 'abc', 'ab'],
    [{ kind: 'decimals', most: 2 }, '1x2.345', '12.34'],
    [{ kind: 'case', to: 'upper' }, 'aB', 'AB'],
    [{ kind: 'case', to: 'lower' }, 'aB', 'ab'],
    [{ kind: 'mask', mask: '00-0' }, '123', '12-3'],
    [{ kind: 'range', min: 1, max: 8 }, '99', '99'],
    [{ kind: 'pattern', source: 'a', match: 'whole' }, 'b', 'b'],
  ])('%j makes of %j: %j', (rule, text, expected) => {
    expect(mended(guardOf(rule), text, true)).toBe(expected);
  });
});

describe('what a guard does', () => {
  it.each<[Guard['stage'], Remedy | undefined, Remedy, strict: boolean]>([
    ['key', 'mend', 'refuse', false],
    ['before insert', 'go back', 'refuse', false],
    ['on submission', 'mend', 'refuse', true],
    ['after input', undefined, 'mend', false],
    ['after input', 'go back', 'go back', false],
    ['after input', 'refuse', 'refuse', false],
    ['on leaving', undefined, 'mend', false],
    ['on leaving', 'refuse', 'refuse', true],
    ['on leaving', 'go back', 'go back', false],
  ])('%s, told to %s: it does %s; a rule to send: %s', (stage, remedy, does, strict) => {
    const guard = { ...guardOf(onlyDigits, stage), ...(remedy && { remedy }) };
    expect([remedyOf(guard), isStrict(guard)]).toEqual([does, strict]);
  });
});
