import { describe, expect, it } from 'vitest';
import {
  attribute,
  controlAgain,
  type FieldKind,
  fieldElements,
  fieldOfControl,
  hasAttribute,
  inputTypes,
  isButton,
  isDated,
  isDisabled,
  isTypedText,
  kindOf,
  takesKeys,
  tellsSelection,
} from './field';
import { readForm } from './read-form';

const kinds: readonly FieldKind[] = [...inputTypes, 'select', 'textarea', 'meter', 'progress', 'output'];
const those = (is: (kind: FieldKind) => boolean) => kinds.filter(is);

describe('kinds of fields', () => {
  it('are told apart by what a person does with them', () => {
    expect(those(isButton)).toEqual(['submit', 'image', 'reset', 'button']);
    expect(those(isDated)).toEqual(['date', 'month', 'week', 'time', 'datetime-local']);
    expect(those(isTypedText)).toEqual([
      'text',
      'search',
      'tel',
      'url',
      'email',
      'password',
      'number',
      'textarea',
    ]);
    expect(those(tellsSelection)).toEqual(['text', 'search', 'tel', 'url', 'password', 'textarea']);
    expect(those((kind) => !takesKeys(kind))).toEqual(['hidden', 'meter', 'progress', 'output']);
  });

  it('go by the type, and by the element where that has none', () => {
    for (const type of inputTypes) expect(kindOf('input', type.toUpperCase())).toBe(type);
    expect([kindOf('input', null), kindOf('input', ''), kindOf('input', 'datetime')]).toEqual([
      'text',
      'text',
      'text',
    ]);
    expect(['reset', 'BUTTON', 'submit', 'text', null].map((type) => kindOf('button', type))).toEqual([
      'reset',
      'button',
      'submit',
      'submit',
      'submit',
    ]);
    for (const element of fieldElements)
      if (element !== 'input' && element !== 'button') expect(kindOf(element, 'date')).toBe(element);
  });
});

describe('a control', () => {
  it('has its attributes, and is disabled by itself or by its fieldset', () => {
    const controls = readForm(
      '<input name=a value=""><input disabled><fieldset disabled><legend><input></legend><input></fieldset>',
    ).fields.map(({ controls: [control] }) => control);
    const [first] = controls;
    expect(first && ['name', 'value', 'id'].map((name) => attribute(first, name))).toEqual(['a', '', null]);
    expect(first && ['value', 'id'].map((name) => hasAttribute(first, name))).toEqual([true, false]);
    expect(controls.map(isDisabled)).toEqual([false, true, false, true]);
  });

  it('is found again where the markup has as many, and the same element there', () => {
    const before = readForm('<input name=a><input name=b>');
    const control = before.fields[1]?.controls[0];
    const again = (markup: string) => control && controlAgain(control, before, readForm(markup));
    expect(again('<p>x</p><input name=a><input name=c>')?.attributes[0]?.value).toBe('c');
    expect(again('<input name=a>')).toBeNull();
    expect(again('<input name=a><select name=b></select>')).toBeNull();
  });

  it('leads to its field, as a member of a group too', () => {
    const { fields } = readForm('<input name=a><input type=radio name=r><input type=radio name=r>');
    expect([0, 1, 2, 3].map((ordinal) => fieldOfControl(fields, ordinal)?.name)).toEqual([
      'a',
      'r',
      'r',
      undefined,
    ]);
  });
});
