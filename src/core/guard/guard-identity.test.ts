import { describe, expect, it } from 'vitest';
import type { Guard } from './guard';
import { guardIdentity } from './guard-identity';

const at = { id: 'g', on: true, stage: 'after input' } as const;

describe('what makes a guard the same one', () => {
  it.each<[Guard, string[]]>([
    [
      { ...at, kind: 'allow', set: { classes: ['digits', 'spaces'], own: '-' } },
      ['allow', 'digits', 'spaces', '-'],
    ],
    [{ ...at, kind: 'deny', set: { classes: ['digits'], own: '' } }, ['deny', 'digits']],
    [{ ...at, kind: 'length', most: 3, unit: 'graphemes' }, ['length', '3', 'graphemes']],
    [{ ...at, kind: 'decimals', most: 2 }, ['decimals', '', '2']],
    [{ ...at, kind: 'decimals', most: 2, whole: 3 }, ['decimals', '3', '2']],
    [{ ...at, kind: 'range', min: 0, max: null }, ['range', '0', '']],
    [{ ...at, kind: 'range', min: null, max: 0 }, ['range', '', '0']],
    [{ ...at, kind: 'pattern', source: '[a-z]', match: 'part' }, ['pattern', 'part', '[a-z]']],
    [{ ...at, kind: 'words', words: ['north'], sense: 'none of' }, ['words', 'none of']],
    [{ ...at, kind: 'date', format: 'dd.mm.yyyy' }, ['date', 'dd.mm.yyyy']],
    [{ ...at, kind: 'check digit', method: 'mod 97' }, ['check digit', 'mod 97']],
    [{ ...at, kind: 'case', to: 'lower' }, ['case', 'lower']],
    [{ ...at, kind: 'mask', mask: '00-00' }, ['mask', '00-00']],
  ])('%j', (guard, identity) => {
    expect(guardIdentity(guard)).toEqual(identity);
  });
});
