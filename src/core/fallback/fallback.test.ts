import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { planMarkup, plansFor } from './fallback-plan';

const { fields } = readForm(demoForm.markup);
const field = (id: string) => fields.find((one) => one.id === id) as Field;
describe('fallback plans', () => {
  it('are there for kinds that came later, and for no others', () => {
    const kinds = fields.filter((one) => plansFor(one).length > 0).map(({ kind }) => kind);
    expect(new Set(kinds)).toEqual(
      new Set(['date', 'datetime-local', 'time', 'month', 'week', 'number', 'range', 'color']),
    );
    expect(plansFor(field('date')).map(({ name }) => name)).toEqual([
      'leave it',
      'hint and pattern',
      'selects',
      'scripted picker',
    ]);
    expect(plansFor(field('station'))).toEqual([]);
  });

  it('hint at a text that their own pattern and the kind itself accept', () => {
    for (const one of fields)
      for (const plan of plansFor(one).filter(({ name }) => name === 'hint and pattern')) {
        const [text = ''] = plan.typed;
        const [asText] = readForm(`<input name=a pattern="${plan.attributes.pattern}">`).fields;
        const state = fieldStateOf(asText as Field, { value: text });
        expect([one.id, validityOf(state).flags]).toEqual([one.id, []]);
        expect(fieldStateOf(one, { value: text }).currentValue).toBe(text);
      }
  });

  it('write markup that reads back as the same field, or as a select for each part', () => {
    const read = (id: string, name: string) => {
      const plan = plansFor(field(id)).find((one) => one.name === name);
      return plan ? readForm(planMarkup(field(id), plan)).fields : [];
    };
    expect(read('date', 'hint and pattern').map(({ kind, name }) => [kind, name])).toEqual([
      ['date', 'date'],
    ]);
    expect(read('date', 'selects').map(({ kind, name }) => [kind, name])).toEqual([
      ['select', 'date-day'],
      ['select', 'date-month'],
      ['select', 'date-year'],
    ]);
    expect(read('date', 'scripted picker')[0]?.controls[0].attributes.map(({ name }) => name)).toContain(
      'data-picker',
    );
  });
});
