import { describe, expect, it } from 'vitest';
import { type FieldKind, inputTypes } from '../html/field';
import { readForm } from '../html/read-form';
import { parsedState } from './control-state';
import { blocksImplicitSubmission, implicitSubmission } from './implicit-submission';

const enterIn = (markup: string) =>
  implicitSubmission(readForm(markup).fields.map(({ controls }) => parsedState(controls[0])));

describe('Enter in a field', () => {
  it.each([
    ['<input><input><button type=button></button><input type=image><button></button>', 3],
    ['<input><button></button><input type=image>', 1],
  ])('of %s presses the first button that sends', (markup, ordinal) => {
    expect(enterIn(markup)).toEqual({ does: 'presses the default button', ordinal });
  });

  it.each([
    '<input><button disabled></button><button></button>',
    '<fieldset disabled><button></button></fieldset>',
  ])('of %s does nothing: the first button is disabled', (markup) => {
    expect(enterIn(markup)).toEqual({ does: 'nothing', why: { code: 'default button disabled' } });
  });

  it('sends without a button where at most one field blocks it', () => {
    expect(enterIn('<input><textarea></textarea><input type=checkbox>')).toEqual({
      does: 'sends without a button',
    });
    expect(enterIn('<textarea></textarea>')).toEqual({ does: 'sends without a button' });
    expect(enterIn('<input><input type=date><input type=number>')).toEqual({
      does: 'nothing',
      why: { code: 'several fields', fields: 3 },
    });
  });

  it('is blocked by fields of one line and by dates', () => {
    const blocking: readonly FieldKind[] = [
      'text',
      'search',
      'tel',
      'url',
      'email',
      'password',
      'number',
      'date',
      'month',
      'week',
      'time',
      'datetime-local',
    ];
    for (const kind of [...inputTypes, 'textarea', 'select'] as const)
      expect([kind, blocksImplicitSubmission(kind)]).toEqual([kind, blocking.includes(kind)]);
  });
});
