import { describe, expect, it } from 'vitest';
import { told } from '../../../tests/fixtures/told-finding';
import type { Guard } from '../guard/guard';
import { readForm } from '../html/read-form';
import { purposeFindings } from './purpose-findings';
import { changedForm } from './remedy-edit';

function found(markup: string, guards: readonly Guard[] = [], hint = '') {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return purposeFindings(markup, field, { guards }, hint)
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
  it('go by what a person said that the field is for, before what its markup says', () => {
    const markup = '<label>Bank name <input name=bank pattern="[A-Za-z ]+"></label>';
    const [field] = readForm(markup).fields;
    const codes = (purpose?: 'name' | 'none') =>
      field && purposeFindings(markup, field, { guards: [], ...(purpose && { purpose }) }, '').length;
    expect([codes(), codes('name'), codes('none')]).toEqual([0, 1, 0]);
    const phone = '<label>Phone <input type=tel pattern="[0-9]{5,}"></label>';
    const [tel] = readForm(phone).fields;
    expect(tel && purposeFindings(phone, tel, { guards: [], purpose: 'none' }, '')).toEqual([]);
  });
  it('name what a rule refuses that has no other writing as what cannot be entered', () => {
    expect(found('<label>E-mail <input type=email pattern="[a-z.]+@[a-z.]+"></label>')).toMatchObject([
      {
        says: 'E-mail: the rule rejects 4 of 8 values that people enter as an e-mail address, such as “aino+tide@skerry.test”.',
        harm: 'cannot enter a valid value',
        details: expect.arrayContaining(['“AINO@SKERRY.TEST”: capital letters']),
      },
    ]);
  });
  it('take the pattern of a kind away that the browser checks by itself, and no other', () => {
    const markup = '<label>E-mail <input type=email pattern="[a-z.]+@[a-z.]+"></label>';
    const [field] = readForm(markup).fields;
    const [strict] = field ? purposeFindings(markup, field, { guards: [] }, '') : [];
    const mended = strict?.change && changedForm({ markup, typing: {} }, strict.change).markup;
    expect(mended).toBe('<label>E-mail <input type=email></label>');
    const named = '<label>Name <input pattern="[A-Za-z ]+"></label>';
    const [other] = readForm(named).fields;
    expect(other && purposeFindings(named, other, { guards: [] }, '')[0]?.change).toBeNull();
  });
  it('ask a field whose page states no language in those of the line-up, and say which it is', () => {
    const details = (markup: string, languages: readonly string[]) => {
      const [field] = readForm(markup).fields;
      return field && purposeFindings(markup, field, { guards: [] }, '', languages).map(told)[0]?.details;
    };
    const name = '<label>Name <input pattern="[\\p{Script=Latin}\\p{M} .’\'\\-]+"></label>';
    expect(details(name, [])).toBeUndefined();
    expect(details(name, ['de-DE'])).toBeUndefined();
    expect(details(name, ['ar', 'de-DE'])).toEqual(['“ليلى البحري”: Arabic, letters of the language']);
    const day = '<label>Date <input pattern="\\d\\d/\\d\\d/\\d{4}"></label>';
    expect(details(day, ['de-DE'])).toContain('“14.03.2026”: German (Germany), the usual way');
    // A language that takes nothing in is no sign that a rule is about something else, nor that it is about this.
    const account = '<label>Account <input pattern="[0-9]{8}"></label>';
    expect(details(account, ['ar', 'de-DE'])).toBeUndefined();
  });
  it('name what can be written otherwise as misleading', () => {
    const [strict] = found('<label>Phone <input type=tel pattern="[0-9]{5,}"></label>');
    expect(strict).toMatchObject({ harm: 'person misled' });
    expect(strict?.details).toContain('“(201) 555-0123”: as it is printed');
    // Where the page says which writing is wanted, another one may be refused; a name has one alone.
    expect(found('<label>Phone <input type=tel pattern="[0-9]{5,}"></label>', [], 'Digits')).toEqual([]);
    expect(found('<label>Name <input pattern="[A-Za-z ]+"></label>', [], 'As in the passport')).toHaveLength(
      1,
    );
  });
  it('name what a maxlength cuts off as lost, and only what is whole as refused', () => {
    const card = '<label>Card number <input maxlength=16 pattern="[0-9]{16}"></label>';
    const [lost, ...others] = found(card);
    expect(lost).toMatchObject({
      says: 'Card number: maxlength="16" cuts 2 of 3 values that people enter as a card number: “4000 0012 3456 7899” becomes “4000 0012 3456 7”.',
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
    const [lost] = field ? purposeFindings(markup, field, { guards: [] }, '') : [];
    expect(lost?.change && changedForm({ markup, typing: {} }, lost.change).markup).toBe(
      '<label>IBAN <input maxlength="27"></label>',
    );
    expect(lost?.script).toEqual([
      { kind: 'text', route: 'paste', text: expect.stringMatching(/^DE\d\d( \d{4}){4} \d\d$/) },
    ]);
  });
  it('name what is accepted and means nothing', () => {
    const guard = submitted('\\d\\d\\.\\d\\d\\.\\d{4}');
    const lenient = found('<label>Reading date <input name=d></label>', [guard]).at(-1);
    expect(lenient?.says).toMatch(/only look like a date/);
    expect(lenient?.details).toContain('“30.02.2026”: no such day');
    // A guard that knows days leaves none of them.
    const real: Guard = { kind: 'date', id: 'd', on: true, stage: 'on submission', format: 'dd.mm.yyyy' };
    const strict = found('<label>Reading date <input name=d></label>', [guard, real]);
    expect(strict.filter(({ says }) => says.includes('only look like'))).toEqual([]);
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

  it.each([
    [
      'a German postal code',
      '<html lang=de><label>PLZ <input name=plz pattern="[0-9]{5}" maxlength=5></label>',
    ],
    [
      'a postal code of another country than the language suggests',
      '<html lang=de><label>PLZ <input name=plz pattern="[0-9]{4}"></label>',
    ],
    [
      'nine digits cut to the five that are enough',
      '<html lang=en-US><label>ZIP code <input maxlength=5></label>',
    ],
    ['a label that sounds like a date', '<label>Day of the week <input pattern="Mon|Tue|Wed"></label>'],
    [
      'a rule that is about something else',
      '<label>Date <input name=date pattern="(?:first|second) visit"></label>',
    ],
    [
      'a number of a telephone within the house',
      '<label>Extension <input type=tel pattern="[0-9]{4}"></label>',
    ],
    [
      'an account number whose check digits no pattern can tell',
      '<html lang=de><label>IBAN <input pattern="DE[0-9 ]{20,26}"></label>',
    ],
    [
      'an address of another host that the browser rejects by itself',
      '<label>E-mail <input type=email pattern=".+@.+"></label>',
    ],
  ])('say nothing of %s', (_, markup) => {
    expect(found(markup)).toEqual([]);
  });

  it.each([
    [
      'digits of the language',
      '<html lang=ar-SA><label>رقم الجوال <input pattern="05[0-9]{8}"></label>',
      '٠٥١٢٣٤٥٦٧٨',
    ],
    [
      'full-width digits',
      '<html lang=ja><label>郵便番号 <input pattern="[0-9]{3}-[0-9]{4}"></label>',
      '１００-０００１',
    ],
    [
      'hiragana for a name in katakana',
      '<html lang=ja><label>フリガナ <input pattern="[ァ-ヶー\\s]+"></label>',
      'しおみ なぎさ',
    ],
    [
      'a postcode in small letters',
      '<html lang=en-GB><label>Postcode <input pattern="[A-Z]{1,2}[0-9][A-Z0-9]? ?[0-9][A-Z]{2}"></label>',
      'sk1 4tr',
    ],
  ])('name %s as what is refused and can be written otherwise', (_, markup, text) => {
    const [refused, ...others] = found(markup);
    expect([refused?.harm, others]).toEqual(['person misled', []]);
    expect(refused?.details?.join()).toContain(`“${text}”`);
  });

  it('name a spaced account number that a maxlength cuts', () => {
    const [lost] = found('<html lang=fi><label>IBAN <input maxlength=18></label>');
    expect(lost).toMatchObject({
      harm: 'value lost',
      says: expect.stringContaining('maxlength="18" cuts 1 of 2'),
    });
  });

  it('have ids of their own by what is wrong, and the evidence that shows it', () => {
    const of = (markup: string, guards: readonly Guard[] = []) => {
      const [field] = readForm(markup).fields;
      return field
        ? purposeFindings(markup, field, { guards }, '').map(({ id, evidence }) => [id, evidence])
        : [];
    };
    expect(of('<label>Card number <input name=c maxlength=16></label>')).toEqual([
      ['["shape","cuts","c"]', 'strokes'],
    ]);
    expect(of('<label>Phone <input type=tel name=p pattern="[0-9]{5,}"></label>')).toEqual([
      ['["shape","refuses","p"]', 'rule'],
    ]);
    expect(
      of('<label>Reading date <input name=d></label>', [submitted('\\d\\d\\.\\d\\d\\.\\d{4}')]),
    ).toContainEqual(['["shape","accepts","d"]', 'rule']);
  });
  it('put what cannot be written otherwise first', () => {
    const [strict] = found('<label>E-mail <input type=email pattern="[a-z.]+@[a-z.]+"></label>');
    expect(strict?.details?.[0]).toContain('aino+tide@skerry.test');
    expect(strict?.details?.at(-1)).toContain('capital letters');
  });
  it('are nothing where a rule takes none of it, and only the label says what it is for', () => {
    const rule = 'pattern="[0-9]{4}"';
    // A label and a name that say the same, or autocomplete, are sure.
    expect(found(`<label>Birthday greeting <input name=x ${rule}></label>`)).toEqual([]);
    expect(found(`<label>E-mail <input name=email autocomplete=email ${rule}></label>`)).toHaveLength(1);
    expect(found('<label>Phone <input name=phone autocomplete=tel pattern="[A-Z]{3}"></label>')).toHaveLength(
      1,
    );
    // Letters where people write digits: it is about something else, unless autocomplete says so.
    expect(found('<label>Phone <input name=phone pattern="[A-Z]{3}"></label>')).toEqual([]);
    expect(found('<label>Phone <input name=phone pattern="[0-9]{3}"></label>')).toHaveLength(1);
  });
  it('go by the rule at submission alone, and by no live rule', () => {
    const markup = '<label>Phone <input name=phone type=tel></label>';
    const live: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'before insert',
      source: '[0-9]*',
      match: 'whole',
    };
    const length: Guard = {
      kind: 'length',
      id: 'l',
      on: true,
      stage: 'on submission',
      most: 3,
      unit: 'graphemes',
    };
    expect(found(markup, [live])).toEqual([]);
    expect(found(markup, [length])).toEqual([]);
    expect(found(markup, [submitted('[0-9]{5,}')])).toHaveLength(1);
  });
  it('cut nothing that is exactly as long as the limit', () => {
    expect(found('<label>Card number <input maxlength=18></label>')).toHaveLength(1);
    expect(found('<label>Card number <input type=number maxlength=3></label>')).toEqual([]);
    expect(found('<label>Card number <input maxlength=-1></label>')).toEqual([]);
  });
});
