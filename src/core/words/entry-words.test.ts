import { describe, expect, it } from 'vitest';
import { fieldId } from '../html/field';
import type { FieldEntry } from '../observation/field-entry';
import { leftText, routesText, sendingText } from './entry-words';

const entered = (by: Extract<FieldEntry, { status: 'entered' }>['by']): FieldEntry => ({
  field: fieldId('a'),
  status: 'entered',
  by,
  tried: 'x',
  became: 'x',
});

describe('words for how fields were filled', () => {
  it('count the routes, in the order in which they were met', () => {
    const left: FieldEntry = { field: fieldId('b'), status: 'left', why: 'disabled' };
    expect(routesText([entered('keys'), left, entered('file chooser'), entered('keys')])).toBe(
      'Filled by keys: 2 · by the file chooser: 1',
    );
    expect(routesText([left])).toBe('Nothing could be filled.');
  });

  it('say why a field was left as it is', () => {
    expect(leftText('read only')).toBe('It is read-only.');
    expect(leftText('disabled')).toBe('It is disabled.');
    expect(leftText('no focus')).toBe('The field does not take focus.');
  });

  it('say what came of it when a script set the same values', () => {
    const blocked = { status: 'blocked', by: null, invalid: [] } as const;
    expect(sendingText({ ...blocked, heldBy: 'page', message: 'Name is missing' })).toBe(
      'The page keeps them back: “Name is missing”.',
    );
    expect(sendingText({ ...blocked, message: null })).toBe('A field blocks them.');
    expect(sendingText({ status: 'nothing', why: { code: 'no form' } })).toBe(
      'The button belongs to no form.',
    );
    expect(sendingText({ status: 'sent', method: 'GET', url: '/', contentType: null, body: '' })).toBe(
      'They are submitted.',
    );
  });
});
