import { describe, expect, it } from 'vitest';
import { told } from '../../../tests/fixtures/told-finding';
import type { Guard } from '../guard/guard';
import { readForm } from '../html/read-form';
import { changedForm } from './remedy-edit';
import { shapeFindings } from './shape-findings';

function found(markup: string, guards: readonly Guard[] = [], hint = '') {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return shapeFindings(markup, field, { script: '', guards }, hint)
    .map(told)
    .map(({ says, harm, details }) => ({
      says,
      harm,
      details,
    }));
}

const submitted = (source: string, on = true): Guard => ({
  kind: 'pattern',
  id: 'p',
  on,
  stage: 'on submission',
  source,
  match: 'whole',
});

describe('findings about what people really enter', () => {
  it('name what a rule refuses that has no other writing as what cannot be entered', () => {
    expect(found('<label>E-mail <input type=email pattern="[a-z.]+@[a-z.]+"></label>')).toMatchObject([
      {
        says: 'E-mail: the rule rejects 6 of 11 values that people enter as an e-mail address, such as “aino+tide@skerry.test”.',
        harm: 'cannot enter a valid value',
        details: expect.arrayContaining(['“AINO@SKERRY.TEST”: capital letters']),
      },
    ]);
  });
  it('take the pattern of a kind away that the browser checks by itself, and no other', () => {
    const markup = '<label>E-mail <input type=email pattern="[a-z.]+@[a-z.]+"></label>';
    const [field] = readForm(markup).fields;
    const [strict] = field ? shapeFindings(markup, field, { script: '', guards: [] }, '') : [];
    const mended = strict?.change && changedForm({ markup, typing: {} }, strict.change).markup;
    expect(mended).toBe('<label>E-mail <input type=email></label>');
    const named = '<label>Name <input pattern="[A-Z]+"></label>';
    const [other] = readForm(named).fields;
    expect(other && shapeFindings(named, other, { script: '', guards: [] }, '')[0]?.change).toBeNull();
  });
  it('name what can be written otherwise as misleading', () => {
    const [strict] = found('<label>Phone <input type=tel pattern="[0-9]{5,}"></label>');
    expect(strict).toMatchObject({ harm: 'person misled' });
    expect(strict?.details).toContain('“+44 1632 960123”: international, with a plus sign');
    // Where the page says which writing is wanted, another one may be refused; a name has one alone.
    expect(found('<label>Phone <input type=tel pattern="[0-9]{5,}"></label>', [], 'Digits')).toEqual([]);
    expect(found('<label>Name <input pattern="[A-Z]+"></label>', [], 'Capitals')).toHaveLength(1);
  });
  it('name what a maxlength cuts off as lost, and only what is whole as refused', () => {
    const card = '<label>Card number <input maxlength=16 pattern="[0-9]{16}"></label>';
    const [lost, ...others] = found(card);
    expect(lost).toMatchObject({
      says: 'Card number: maxlength="16" cuts 5 of 6 values that people enter as a long number copied from a card: “4000 0012 3456 7899” becomes “4000 0012 3456 7”.',
      harm: 'value lost',
    });
    expect(others).toEqual([]);
    // Nothing else rules it, and it is lost all the same; where it fits, or is told how to write it, nothing is.
    expect(found('<label>Card number <input maxlength=16></label>')).toMatchObject([{ harm: 'value lost' }]);
    expect(found('<label>Card number <input maxlength=19></label>')).toEqual([]);
    expect(found('<label>Card number <input maxlength=16></label>', [], 'Digits alone')).toEqual([]);
    expect(found('<label>Name <input maxlength=20></label>', [], 'As in the log')).toHaveLength(1);
  });
  it('leave room for the longest that was cut', () => {
    const markup = '<label>IBAN <input maxlength=22></label>';
    const [field] = readForm(markup).fields;
    const [lost] = field ? shapeFindings(markup, field, { script: '', guards: [] }, '') : [];
    expect(lost?.change && changedForm({ markup, typing: {} }, lost.change).markup).toBe(
      '<label>IBAN <input maxlength="29"></label>',
    );
    expect(lost?.script).toEqual([{ kind: 'text', route: 'paste', text: 'DE79 0000 0014 0000 4719 00' }]);
  });
  it('name what is accepted and means nothing', () => {
    const guard = submitted('\\d\\d\\.\\d\\d\\.\\d{4}');
    const lenient = found('<label>Reading date <input name=d></label>', [guard]).at(-1);
    expect(lenient).toMatchObject({ harm: 'wrong value sent' });
    expect(lenient?.details).toContain('“30.02.2026”: no such day');
    // A guard that knows days leaves none of them.
    const real: Guard = { kind: 'date', id: 'd', on: true, stage: 'on submission', format: 'dd.mm.yyyy' };
    const strict = found('<label>Reading date <input name=d></label>', [guard, real]);
    expect(strict.every(({ harm }) => harm !== 'wrong value sent')).toBe(true);
  });
  it.each<[string, string, readonly Guard[]]>([
    ['a field without a rule', '<label>E-mail <input type=email></label>', []],
    ['a rule that is switched off', '<label>E-mail <input name=e></label>', [submitted('x', false)]],
    ['a pattern that its kind ignores', '<label>Level <input type=number pattern="[0-9]"></label>', []],
    ['a pattern that does not compile', '<label>Phone <input type=tel pattern="[+"></label>', []],
    ['a field of no known shape', '<label>Station <input pattern="[A-Z]{3}"></label>', []],
  ])('say nothing of %s', (_, markup, guards) => {
    expect(found(markup, guards)).toEqual([]);
  });
});
