import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { fallbackFaults } from '../finding/fallback-faults';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import type { PlanOutcome } from '../questions/fallback/facts';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { planMarkup, plansFor } from './fallback-plan';

const { fields } = readForm(demoForm.markup);
const field = (id: string) => fields.find((one) => one.id === id) as Field;
const outcome = (change: Partial<PlanOutcome>): PlanOutcome => ({
  plan: 'leave it',
  native: false,
  loaded: false,
  typed: [],
  sent: ['date=2026-03-14'],
  picture: null,
  ...change,
});

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

describe('faults of a plan', () => {
  const faults = (change: Partial<PlanOutcome>) =>
    fallbackFaults(field('date'), outcome(change)).map(({ code }) => code);

  it('are none when the server gets what the kind would have sent', () => {
    expect(faults({})).toEqual([]);
    expect(faults({ native: true })).toEqual([]);
    expect(faults({ loaded: true })).toEqual([]);
  });
  it('call out a plan over a picker of the target’s own', () => {
    expect(faults({ native: true, loaded: true })).toEqual(['over native']);
  });
  it('call out a format that the server did not get before', () => {
    expect(faults({ sent: ['date=14.3.2026'] })).toEqual(['other format']);
    expect(faults({ sent: ['date=2026-02-30'] })).toEqual(['other format']);
    expect(faults({ sent: ['date='] })).toEqual(['other format']);
    expect(faults({ sent: [] })).toEqual(['other format']);
    expect(faults({ plan: 'selects', sent: ['date-day=14', 'date-month=03'] })).toEqual(['other entries']);
    expect(faults({ sent: ['day=2026-03-14'] })).toEqual(['other format']);
  });
});
