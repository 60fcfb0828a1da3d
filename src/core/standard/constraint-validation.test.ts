import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { validityOf } from './constraint-validation';
import { type Deviations, noDeviations } from './deviations';
import { type Change, fieldStateOf } from './field-state';

function suffers(markup: string, change: Partial<Change> = {}, deviations: Partial<Deviations> = {}): string {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  const all = { ...noDeviations, ...deviations };
  return validityOf(fieldStateOf(field, { value: null, ...change }, all), all).flags.join();
}

describe('a field suffers', () => {
  it.each([
    ['<input required>', ''],
    ['<input required>', null],
    ['<textarea required></textarea>', ''],
    ['<input type=date required>', null],
    ['<input type=number required>', 'x'],
    ['<input type=checkbox required>', ''],
    ['<input type=radio name=r required>', null],
    ['<input type=radio name=r><input type=radio name=r required>', null],
    ['<input type=radio required>', null],
    ['<input type=file required>', null],
    ['<select required><option value="">Choose<option>a</select>', null],
    ['<select required><option>a</select>', 'nothing of it'],
    ['<select required multiple><option>a</select>', null],
  ])('from being missing: %s with %j', (markup, value) => {
    expect(suffers(markup, { value })).toBe('valueMissing');
  });

  it.each([
    ['<input required>', ' '],
    ['<input required readonly>', ''],
    ['<input required disabled>', ''],
    ['<input type=range required>', null],
    ['<input type=color required>', ''],
    ['<input type=hidden required>', ''],
    ['<input type=checkbox required>', 'on'],
    ['<input type=checkbox required checked>', null],
    ['<input type=radio name=r required><input type=radio name=r checked>', null],
    ['<select required><option value="">Choose<option>a</select>', 'a'],
    ['<select required><optgroup><option value="">a</optgroup></select>', null],
    ['<select required size=2><option value="" selected>a</select>', null],
    ['<select required><option>a<option value="">b</select>', ''],
    ['<input>', ''],
  ])('from nothing: %s with %j', (markup, value) => {
    expect(suffers(markup, { value })).toBe('');
  });

  it('from being missing though read-only where that does not apply to its kind', () => {
    expect(suffers('<input type=checkbox required readonly>')).toBe('valueMissing');
    expect(suffers('<input type=file required readonly>')).toBe('valueMissing');
  });

  it('without a name from nothing in its group, where an engine has it so', () => {
    const lone = (markup: string) => suffers(markup, {}, { namelessRadioMayMiss: false });
    expect(lone('<input type=radio required>')).toBe('');
    expect(lone('<input type=radio name=r required>')).toBe('valueMissing');
    expect(lone('<input type=checkbox required>')).toBe('valueMissing');
  });

  it.each([
    ['<input type=url>', 'skerry', 'typeMismatch'],
    ['<input type=url>', 'a:b', ''],
    ['<input type=url>', '', ''],
    ['<input type=email>', 'ada', 'typeMismatch'],
    ['<input type=email>', 'ada@skerry.example', ''],
    ['<input type=email>', 'a@b,c@d', 'typeMismatch'],
    ['<input type=email multiple>', 'a@b,c@d', ''],
    ['<input type=email multiple>', 'a@b,c', 'typeMismatch'],
    ['<input type=email multiple>', '', ''],
    ['<input>', 'ada', ''],
  ])('from another type: %s with “%s”: %s', (markup, value, flags) => {
    expect(suffers(markup, { value })).toBe(flags);
  });

  it('from what cannot be read, where an engine calls an address so', () => {
    const strict = { isUnreadableEmail: (text: string) => text.startsWith('-') };
    expect(suffers('<input type=email multiple>', { value: 'a@b,-@d' }, strict)).toContain('badInput');
    expect(suffers('<input type=email>', { value: 'a@b' }, strict)).toBe('');
    expect(suffers('<input type=email>', { value: '' }, { isUnreadableEmail: () => true })).toBe('');
    expect(suffers('<input>', { value: '-@d' }, strict)).toBe('');
    expect(suffers('<input type=number>', { value: '', badInput: true })).toBe('badInput');
  });

  it.each([
    ['<input pattern="a+">', 'b', 'patternMismatch'],
    ['<input pattern="a+">', 'aa', ''],
    ['<input pattern="a+">', '', ''],
    ['<input pattern="(">', 'b', ''],
    ['<input type=number pattern="a+">', '1', ''],
    ['<textarea pattern="a+"></textarea>', 'b', ''],
    ['<input type=email multiple pattern=".*@b">', 'a@b,c@b', ''],
    ['<input type=email multiple pattern=".*@b">', 'a@b,c@d', 'patternMismatch'],
    ['<input multiple pattern="a">', 'a,a', 'patternMismatch'],
  ])('from its pattern: %s with “%s”: %s', (markup, value, flags) => {
    expect(suffers(markup, { value })).toBe(flags);
  });

  it('from its pattern in each part of a list, where an engine reads all lists so', () => {
    const lists = { patternReadsLists: true };
    expect(suffers('<input multiple pattern="a">', { value: 'a, a' }, lists)).toBe('');
    expect(suffers('<input multiple pattern="a">', { value: 'a,b' }, lists)).toBe('patternMismatch');
    expect(suffers('<input multiple pattern="a">', { value: ' ' }, lists)).toBe('');
    expect(suffers('<input multiple pattern="a">', { value: 'a, ' }, lists)).toBe('patternMismatch');
    expect(suffers('<input pattern="a">', { value: 'a,a' }, lists)).toBe('patternMismatch');
  });

  it.each([
    ['<input maxlength=3>', 'abcd', 'tooLong'],
    ['<input maxlength=3>', 'abc', ''],
    ['<input minlength=3>', 'ab', 'tooShort'],
    ['<input minlength=3>', 'abc', ''],
    ['<input minlength=3>', '', ''],
    ['<input maxlength=-1>', 'abcd', ''],
    ['<input minlength=x>', 'a', ''],
    ['<textarea maxlength=3></textarea>', 'abcd', 'tooLong'],
    ['<input type=number maxlength=3>', '1234', ''],
  ])('from its length once a person has typed: %s with “%s”: %s', (markup, value, flags) => {
    expect(suffers(markup, { value, byPerson: true })).toBe(flags);
    expect(suffers(markup, { value })).toBe('');
  });

  it.each([
    ['<input type=number min=2 max=8>', '1', 'rangeUnderflow'],
    ['<input type=number min=2 max=8>', '2', ''],
    ['<input type=number min=2 max=8>', '8', ''],
    ['<input type=number min=2 max=8>', '9', 'rangeOverflow'],
    ['<input type=number min=8 max=2>', '5', 'rangeUnderflow,rangeOverflow'],
    ['<input type=number min=2 step=3>', '6', 'stepMismatch'],
    ['<input type=number min=2 step=3>', '5', ''],
    ['<input type=number step=any>', '0.123', ''],
    ['<input type=date min=2026-01-02>', '2026-01-01', 'rangeUnderflow'],
    ['<input type=date max=2026-01-02>', '2026-01-03', 'rangeOverflow'],
    ['<input type=time min=22:00 max=06:00>', '12:00', 'rangeUnderflow,rangeOverflow'],
    ['<input type=time min=22:00 max=06:00>', '23:00', ''],
    ['<input type=range min=8 max=2>', '5', ''],
    ['<input type=number min=2>', '', ''],
    ['<input min=2>', '1', ''],
  ])('from its limits: %s with “%s”: %s', (markup, value, flags) => {
    expect(suffers(markup, { value })).toBe(flags);
  });

  it('from a range turned round, where an engine has it so', () => {
    const turned = { reversedRangeOverflows: true };
    expect(suffers('<input type=range min=8 max=2>', { value: '5' }, turned)).toBe('rangeOverflow');
    expect(suffers('<input type=range min=2 max=8>', { value: '9' }, turned)).toBe('');
  });

  it.each([
    ['<input>', true],
    ['<input readonly>', false],
    ['<textarea readonly></textarea>', false],
    ['<select readonly></select>', true],
    ['<button readonly></button>', true],
    ['<input disabled>', false],
    ['<fieldset disabled><input></fieldset>', false],
    ['<fieldset disabled><legend><input></legend></fieldset>', true],
    ['<datalist><input></datalist>', false],
    ['<input type=hidden>', false],
    ['<button type=button></button>', false],
    ['<input type=reset>', false],
    ['<output></output>', false],
    ['<input type=checkbox readonly>', false],
  ])('and %s is checked: %s', (markup, checked) => {
    const [field] = readForm(markup).fields;
    expect(field && validityOf(fieldStateOf(field)).willValidate).toBe(checked);
  });

  it('from what a script says', () => {
    const [field] = readForm('<input>').fields;
    if (!field) throw new Error('no field');
    const state = fieldStateOf(field);
    expect(validityOf({ ...state, customMessage: 'No.' }).flags).toEqual(['customError']);
  });
});
