import { describe, expect, it } from 'vitest';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import type { Guard } from './guard';
import { patternsOf } from './patterns-of';

function fieldIn(markup: string): Field {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}

const guard = (source: string, on: boolean): Guard => ({
  kind: 'pattern',
  id: source,
  stage: 'on submission',
  on,
  source,
  match: 'part',
});

describe('the patterns that act on a field', () => {
  it('are its own, as a whole, and those of guards that are on', () => {
    expect(
      patternsOf(fieldIn('<input name=a pattern="[0-9]+">'), [guard('[1-9]', true), guard('0', false)]),
    ).toEqual([
      { source: '[0-9]+', match: 'whole' },
      { source: '[1-9]', match: 'part' },
    ]);
  });

  it('leave out an attribute that the kind does not go by', () => {
    expect(patternsOf(fieldIn('<input name=a type=number pattern="[0-9]+">'), [])).toEqual([]);
    expect(patternsOf(fieldIn('<textarea name=a pattern="[0-9]+"></textarea>'), [])).toEqual([]);
  });
});
