import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import { readForm } from '../html/read-form';
import { editedPattern, editedRules } from './edited-rule';

const fieldOf = (markup: string) => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
};
const guards: readonly Guard[] = [
  { kind: 'pattern', id: 'p', on: true, stage: 'on submission', source: 'a+', match: 'part' },
  { kind: 'length', id: 'l', on: true, stage: 'before insert', most: 3, unit: 'graphemes' },
  { kind: 'pattern', id: 'q', on: false, stage: 'before insert', source: 'b', match: 'whole' },
];

describe('patterns that can be edited', () => {
  it.each(['text', 'search', 'tel', 'url', 'email', 'password'])(
    'are that of a field of type %s, and those of its guards',
    (type) => {
      const field = fieldOf(`<input type=${type} name=a>`);
      expect(editedRules(field, guards)).toEqual([
        { of: 'field' },
        { of: 'guard', id: 'p' },
        { of: 'guard', id: 'q' },
      ]);
    },
  );
  it.each([
    '<input type=number name=a>',
    '<input type=date name=a>',
    '<textarea name=a></textarea>',
    '<input type=hidden name=a>',
  ])('are those of guards alone in %s', (markup) => {
    expect(editedRules(fieldOf(markup), guards)).toEqual([
      { of: 'guard', id: 'p' },
      { of: 'guard', id: 'q' },
    ]);
    expect(editedRules(fieldOf(markup), [])).toEqual([]);
  });
  it('are held against the value as they are meant to be', () => {
    const field = fieldOf('<input name=a pattern="[0-9]">');
    expect(editedPattern(field, guards, { of: 'field' })).toEqual({ source: '[0-9]', match: 'whole' });
    expect(editedPattern(fieldOf('<input name=a>'), guards, { of: 'field' })).toEqual({
      source: '[^]*',
      match: 'whole',
    });
    expect(editedPattern(field, guards, { of: 'guard', id: 'p' })).toEqual({ source: 'a+', match: 'part' });
    for (const id of ['l', 'gone']) expect(editedPattern(field, guards, { of: 'guard', id })).toBeNull();
  });
});
