import { describe, expect, it } from 'vitest';
import { guardOf, noSpaces, onlyDigits, type Rule } from '../../../tests/fixtures/guard-of';
import { guardName, objectionText } from './guard-words';

describe('a guard in a few words', () => {
  it.each<[Rule, string]>([
    [onlyDigits, 'only ASCII digits'],
    [noSpaces, 'no spaces'],
    [{ kind: 'deny', set: { classes: ['digits', 'spaces'], own: '-' } }, 'no digits, spaces, -'],
    [{ kind: 'allow', set: { classes: [], own: '' } }, 'only nothing'],
    [{ kind: 'length', most: 1, unit: 'code units' }, 'at most 1 code unit'],
    [{ kind: 'length', most: 10, unit: 'graphemes' }, 'at most 10 graphemes'],
    [{ kind: 'decimals', most: 2 }, 'at most 2 decimals'],
    [{ kind: 'decimals', most: 1, whole: 3 }, 'at most 3 whole digits, at most 1 decimal'],
    [{ kind: 'range', min: -3, max: null }, 'a number from -3 to anywhere'],
    [{ kind: 'range', min: null, max: 8 }, 'a number from anywhere to 8'],
    [{ kind: 'pattern', source: '[a-z]', match: 'whole' }, 'all of it matches [a-z]'],
    [{ kind: 'pattern', source: '[a-z]', match: 'part' }, 'some part matches [a-z]'],
    [{ kind: 'words', words: ['a', 'b'], sense: 'one of' }, 'one of 2 words'],
    [{ kind: 'words', words: ['a', 'b', 'c'], sense: 'none of' }, 'none of 3 words'],
    [{ kind: 'date', format: 'dd.mm.yyyy' }, 'a real date, dd.mm.yyyy'],
    [{ kind: 'check digit', method: 'mod 11' }, 'check digit, mod 11'],
    [{ kind: 'case', to: 'upper' }, 'upper case'],
    [{ kind: 'case', to: 'lower' }, 'lower case'],
    [{ kind: 'mask', mask: '00-00' }, 'mask 00-00'],
  ])('%j', (rule, name) => {
    expect(guardName(guardOf(rule))).toBe(name);
  });
});

it('an objection is named by who makes it, or why it is not known', () => {
  expect(objectionText({ code: 'own constraint', flag: 'patternMismatch' })).toBe('patternMismatch');
  expect(objectionText({ code: 'guard', guard: guardOf(noSpaces) })).toBe('no spaces');
  expect(objectionText({ code: 'not worked out', why: 'too many steps' })).toBe('it takes too many steps');
});
