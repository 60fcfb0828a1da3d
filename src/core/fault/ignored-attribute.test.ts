import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { readForm } from '../html/read-form';
import { ignoredWords } from '../words/attribute-words';
import { ignoredBecause } from './ignored-attribute';

const because = (markup: string, name: string) => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  const ignored = ignoredBecause(field, name);
  return ignored && ignoredWords(ignored);
};

describe('an attribute that does nothing', () => {
  it.each([
    [
      '<input type=number maxlength=4>',
      'maxlength',
      'A field of kind number ignores it. Limit the value with max.',
    ],
    [
      '<input type=date placeholder=x>',
      'placeholder',
      'A field of kind date ignores it. Put the hint beside the field.',
    ],
    [
      '<textarea pattern=x></textarea>',
      'pattern',
      'A field of kind textarea ignores it. Check it in a script.',
    ],
    [
      '<input min=3>',
      'min',
      'A field of kind text ignores it. Limit the length with minlength and maxlength, or make it a number.',
    ],
    ['<input rows=3>', 'rows', 'A field of kind text ignores it. It acts on textarea.'],
    [
      '<select readonly></select>',
      'readonly',
      'A field of kind select ignores it. To prevent edits, use disabled; the field is then not submitted.',
    ],
    ['<input type=datetime>', 'type', 'There is no input type “datetime”: browsers show a text box.'],
    [
      '<input type=date min=1.1.2026>',
      'min',
      '“1.1.2026” is no date such as 2026-12-31, so browsers ignore the limit.',
    ],
    ['<input type=time value=noon>', 'value', '“noon” is no time such as 18:45, so the field starts empty.'],
    ['<input type=number step=0>', 'step', '“0” is no valid step, so the default step applies.'],
    ['<input maxlength=-4>', 'maxlength', '“-4” is no valid length, so browsers ignore the limit.'],
    [
      '<input pattern="[a-">',
      'pattern',
      'It does not compile with the v flag, so browsers accept everything.',
    ],
    ['<input list=birds>', 'list', 'No datalist has the id “birds”.'],
    [
      '<input inputmode=digits>',
      'inputmode',
      '“digits” is none of none, text, decimal, numeric, tel, search, email, url.',
    ],
    ['<input autocomplete=surname>', 'autocomplete', 'There is no autocomplete token “surname”.'],
    ['<textarea rows=0></textarea>', 'rows', '“0” is no valid size, so the default size applies.'],
    ['<input readonly required>', 'required', 'The field is read-only, so browsers do not check it.'],
    [
      '<fieldset disabled><input pattern=x></fieldset>',
      'pattern',
      'The field is disabled, so browsers do not check it.',
    ],
    [
      '<input flavour=x>',
      'flavour',
      'The standard has no such attribute: only styles and scripts can read it.',
    ],
  ])('%s: %s. %s', (markup, name, sentence) => {
    expect(because(markup, name)).toBe(sentence);
  });

  it.each([
    ['<input type=number max=4>', 'max'],
    ['<input data-x=1>', 'data-x'],
    ['<input class=x>', 'class'],
    ['<input type=TIME value=18:45>', 'type'],
    ['<input type=time value="">', 'value'],
    ['<input step=any type=number>', 'step'],
    ['<input formmethod=x>', 'pattern'],
    ['<input enterkeyhint="">', 'enterkeyhint'],
    ['<meter min=0.5></meter>', 'min'],
  ])('is not %s: %s', (markup, name) => {
    expect(because(markup, name)).toBeNull();
  });

  it('is none in the good demo form', () => {
    for (const field of readForm(demoForm.markup).fields)
      for (const { name } of field.controls[0].attributes)
        expect(ignoredBecause(field, name), name).toBeNull();
  });
});
