import { describe, expect, it } from 'vitest';
import { demoForms } from '../demo/demo-forms';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { readForm } from './read-form';
import { invalidTrial, validTrial } from './trial-value';

const fields = demoForms.flatMap((form) =>
  readForm(form.markup).fields.map((field) => [`${form.id} ${field.id}`, field] as const),
);
const trial = (markup: string, of: typeof validTrial) => {
  const [field] = readForm(markup).fields;
  return field && of(field);
};

describe('trial values', () => {
  it.each(fields)('%s: what is tried as valid is valid, what is tried as invalid is not', (_, field) => {
    const good = validTrial(field);
    if (good.status === 'value')
      expect(validityOf(fieldStateOf(field, { value: good.value })).flags).toEqual([]);
    const bad = invalidTrial(field);
    if (bad.status === 'value')
      expect(validityOf(fieldStateOf(field, { value: bad.value })).flags).not.toEqual([]);
  });

  it('takes the author’s own example first', () => {
    expect(trial('<input pattern="[A-Z]{3}-[0-9]{2}" placeholder="SKR-04">', validTrial)).toEqual({
      status: 'value',
      value: 'SKR-04',
    });
  });

  it('goes one step beyond a limit, in the kind’s own format', () => {
    expect(trial('<input type=week max=2026-W10>', invalidTrial)).toEqual({
      status: 'value',
      value: '2026-W11',
    });
    expect(trial('<input type=number min=-3 max=8 step=0.01>', invalidTrial)).toEqual({
      status: 'value',
      value: '8.01',
    });
  });

  it('says why there is nothing to try', () => {
    expect(trial('<input type=file>', validTrial)).toEqual({
      status: 'none',
      reason: 'A script cannot choose a file.',
    });
    expect(trial('<input type=time>', invalidTrial)).toEqual({
      status: 'none',
      reason: 'Its constraints refuse nothing.',
    });
  });
});
