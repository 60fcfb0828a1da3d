import { describe, expect, it } from 'vitest';
import { demoForms } from '../demo/demo-forms';
import { readForm } from '../html/read-form';
import { validityOf } from '../standard/constraint-validation';
import { fieldStateOf } from '../standard/field-state';
import { anotherValidValue, invalidTrial, trialFor, validTrial } from './trial-value';

const fields = demoForms.flatMap((form) =>
  readForm(form.markup).fields.map((field) => [`${form.id} ${field.id}`, field] as const),
);
const trial = (markup: string, of: typeof validTrial) => {
  const [field] = readForm(markup).fields;
  return field && of(field);
};

describe('another value', () => {
  it.each(fields)('%s: is valid too, and another one', (_, field) => {
    const first = validTrial(field);
    if (first.status !== 'value') return;
    const second = anotherValidValue(field, first.value);
    if (second === null || field.kind === 'checkbox' || field.kind === 'radio') return;
    expect(second).not.toBe(first.value);
    expect(validityOf(fieldStateOf(field, { value: second })).flags).toEqual([]);
  });
  it('is as long as the first where a length is all that is shown', () => {
    const [pin] = readForm('<input type=password pattern="[0-9]{4}">').fields;
    if (!pin) throw new Error('no field');
    expect(anotherValidValue(pin, '4711')).toHaveLength(4);
  });
});

describe('trial values', () => {
  it('are written as people write where they are, in the language of the page or in the one that was said of them', () => {
    const tried = (lang: string, field: string, language?: string) => {
      const [only] = readForm(`<html ${lang}>${field}`, language).fields;
      const first = only && validTrial(only);
      return first?.status === 'value' ? first.value : first?.reason;
    };
    const name = '<label>Full name <input name=name autocomplete=name></label>';
    const amount = '<label>Amount <input name=amount pattern="[0-9]+[.,٫][0-9]{2}"></label>';
    expect([tried('', name), tried('lang=de', name)]).toEqual(['Ada Holm', 'Ada Holm']);
    expect([tried('lang=ja', name), tried('', name, 'ja'), tried('lang=de', name, 'ja')]).toEqual([
      '潮見 渚',
      '潮見 渚',
      'Ada Holm',
    ]);
    expect([tried('', amount), tried('', amount, 'de-AT'), tried('', amount, 'fa')]).toEqual([
      '12.50',
      '12,50',
      '12٫50',
    ]);
  });

  it('put a meter into each of its regions and take the value from a progress', () => {
    const [meter, progress] = readForm(
      '<meter max=9 low=3 high=6 optimum=8></meter><progress max=10></progress>',
    ).fields;
    if (!meter || !progress) throw new Error('no gauges');
    expect((['optimal', 'suboptimal', 'poor'] as const).map((state) => trialFor(meter, state))).toEqual([
      { status: 'value', value: '7.5' },
      { status: 'value', value: '4.5' },
      { status: 'value', value: '1.5' },
    ]);
    expect(trialFor(progress, 'filled')).toEqual({ status: 'value', value: '6.5' });
    expect(trialFor(progress, 'indeterminate')).toEqual({ status: 'value', value: '' });
    expect(trialFor(meter, 'disabled')).toBeNull();
  });

  it.each(fields)('%s: what is tried as valid is valid, what is tried as invalid is not', (_, field) => {
    const good = validTrial(field);
    if (good.status === 'value')
      expect(validityOf(fieldStateOf(field, { value: good.value })).flags).toEqual([]);
    const bad = invalidTrial(field);
    if (bad.status === 'value')
      expect(validityOf(fieldStateOf(field, { value: bad.value })).flags).not.toEqual([]);
  });

  it.each([
    ['<label>Card number <input pattern="[0-9]{16}" maxlength=16></label>', '4000001234567899'],
    ['<label>Postcode <input></label>', '02134'],
    ['<input name=bay placeholder=" ">', 'Ada Holm'],
    ['<input name=bay placeholder="Your bay">', 'Ada Holm'],
    ['<input name=bay placeholder="e.g. North Bay">', 'North Bay'],
    ['<input name=bay inputmode=decimal>', '12.50'],
    ['<input name=bay pattern="[A-Z]{2}-?\\d{3}">', 'SK119'],
    ['<input name=bay pattern="(?=.*\\d)[a-z0-9]+">', '1250'],
    ['<textarea name=bay pattern="x">', 'Wind from the north, gulls on the breakwater.'],
  ])('are what people enter, or made of the pattern: %s', (markup, value) => {
    expect(trial(markup, validTrial)).toEqual({ status: 'value', value });
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
      reason: 'no file by script',
    });
    expect(trial('<input type=time>', invalidTrial)).toEqual({
      status: 'none',
      reason: 'nothing invalid',
    });
  });
});
