import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { ignoredBecause } from './ignored-attribute';
import { offeredFormValues, offeredValues } from './offered-values';
import { readForm } from './read-form';

const because = (markup: string, name: string) => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return ignoredBecause(field, name);
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
      'A field of kind select ignores it. To keep people out, use disabled; it is then not sent.',
    ],
    ['<input type=datetime>', 'type', 'There is no kind “datetime”: the field is a plain text box.'],
    ['<input type=date min=1.1.2026>', 'min', '“1.1.2026” is no date like 2026-12-31, so there is no limit.'],
    ['<input type=time value=noon>', 'value', '“noon” is no time like 18:45, so the field starts empty.'],
    ['<input type=number step=0>', 'step', '“0” is no step: the usual one of the kind counts.'],
    ['<input maxlength=-4>', 'maxlength', '“-4” is no length, so there is no limit.'],
    [
      '<input pattern="[a-">',
      'pattern',
      'It does not compile with the v flag, so everything is let through.',
    ],
    ['<input list=birds>', 'list', 'No datalist has the id “birds”.'],
    [
      '<input inputmode=digits>',
      'inputmode',
      '“digits” is none of none, text, decimal, numeric, tel, search, email, url.',
    ],
    ['<input autocomplete=surname>', 'autocomplete', 'There is no autocomplete token “surname”.'],
    ['<textarea rows=0></textarea>', 'rows', '“0” is no size: the usual one counts.'],
    ['<input readonly required>', 'required', 'The field is read-only, so it is not checked.'],
    [
      '<fieldset disabled><input pattern=x></fieldset>',
      'pattern',
      'The field is disabled, so it is not checked.',
    ],
    [
      '<input flavour=x>',
      'flavour',
      'The standard has no such attribute: only styles and scripts can see it.',
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

describe('values on offer', () => {
  const page = readForm(
    '<form id=entry><input type=time name=high><input name=bird list=birds><input type=email><select autocomplete></select></form><datalist id=birds></datalist>',
  );
  const offered = (index: number, name: string) => {
    const field = page.fields[index];
    if (!field) throw new Error(String(index));
    return offeredValues(field, name, page);
  };
  it('suit the kind, and name what is in the page', () => {
    expect(offered(0, 'step')).toContain('900');
    expect(offered(1, 'list')).toEqual(['birds']);
    expect(offered(1, 'form')).toEqual(['entry']);
    expect(offered(1, 'dirname')).toEqual(['bird.dir']);
    expect(offered(2, 'autocomplete').slice(0, 3)).toEqual(['off', 'username', 'email']);
    expect(offered(2, 'inputmode')[0]).toBe('email');
    expect(offered(2, 'autocomplete')).not.toContain('street-address');
    expect(offered(3, 'autocomplete')).toContain('street-address');
    expect(offered(1, 'title')).toEqual([]);
  });
  it('of forms are those of the standard', () => {
    expect(offeredFormValues('method')).toEqual(['get', 'post', 'dialog']);
    expect(offeredFormValues('accept-charset')).toEqual(['UTF-8']);
    expect(offeredFormValues('action')).toEqual([]);
    expect(offeredFormValues('constructor')).toEqual([]);
  });
});
