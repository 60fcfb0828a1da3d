import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FieldKind, inputTypes } from '../html/field';
import { readForm } from '../html/read-form';
import { engineDeviations } from '../model/deviations/engine-deviations';
import {
  type ControlState,
  constraintsOf,
  idlValueOf,
  isUnselected,
  parsedState,
  typeReflected,
  valueModeOf,
  withAttributes,
  withChecked,
  withCustomValidity,
  withFiles,
  withType,
  withValue,
} from './control-state';
import { noDeviations } from './deviations';

const parsed = (markup: string, deviations = noDeviations): ControlState => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return parsedState(field.controls[0], deviations);
};
const set = (state: ControlState, value: string): ControlState => {
  const changed = withValue(state, value);
  if (changed === 'InvalidStateError') throw new Error(changed);
  return changed;
};

describe('a control as it was parsed', () => {
  it.each([
    ['<input value=" a\nb ">', ' ab '],
    ['<input type=email value=" a@b ">', 'a@b'],
    ['<input type=number value="1e2">', '1e2'],
    ['<input type=number value="ten">', ''],
    ['<input type=range>', '50'],
    ['<input type=range min=10 max=0>', '10'],
    ['<input type=color value=TEAL>', '#008080'],
    ['<input type=color>', '#000000'],
    ['<input type=date value=2026-02-30>', ''],
    ['<input type=checkbox>', 'on'],
    ['<input type=hidden value="a\nb">', 'a\nb'],
    ['<input type=file value=x>', ''],
    ['<textarea>\n\nx</textarea>', '\nx'],
    ['<button value=b>Go</button>', 'b'],
    ['<select><option disabled>a<option>b</select>', 'b'],
    ['<select><option selected>a<option selected>b</select>', 'b'],
    ['<select size=3><option>a</select>', ''],
    ['<meter value=0.4></meter>', '0.4'],
    ['<progress value=3></progress>', '1'],
  ])('%s has the value %j', (markup, value) => {
    expect(idlValueOf(parsed(markup))).toBe(value);
  });

  it('reflects its kind, as far as the engine knows it', () => {
    expect(typeReflected(parsed('<input type=week>'))).toBe('week');
    expect(typeReflected(parsed('<input type=week>', engineDeviations.firefox))).toBe('text');
    expect(typeReflected(parsed('<input type=datetime>'))).toBe('text');
    expect(typeReflected(parsed('<select multiple></select>'))).toBe('select-multiple');
    expect(typeReflected(parsed('<button>Go</button>'))).toBe('submit');
    expect(typeReflected(parsed('<meter></meter>'))).toBe('');
  });
});

describe('the dirty value flag', () => {
  it('lets the attribute through until a script has set the value', () => {
    const fresh = parsed('<input value=a>');
    expect(idlValueOf(withAttributes(fresh, { value: 'b' }))).toBe('b');
    expect(idlValueOf(withAttributes(set(fresh, 'c'), { value: 'b' }))).toBe('c');
  });
  it('is not there for kinds whose value is the attribute', () => {
    for (const type of ['hidden', 'submit', 'checkbox'] as const) {
      const changed = set(parsed(`<input type=${type} value=a>`), 'c');
      expect(changed.isDirty).toBe(false);
      expect(changed.attributes.value).toBe('c');
    }
  });
  it('keeps a checkbox as a person left it', () => {
    const box = parsed('<input type=checkbox>');
    expect(withAttributes(box, { checked: '' }).checked).toBe(true);
    expect(withAttributes(withChecked(box, false), { checked: '' }).checked).toBe(false);
  });
  it('never lets a script choose a file by name', () => {
    const file = parsed('<input type=file>');
    expect(withValue(file, 'x')).toBe('InvalidStateError');
    expect(withValue(file, '')).toEqual(file);
    expect(constraintsOf(withFiles(file, 2)).checked).toBe(true);
    expect(withFiles(parsed('<input>'), 2).files).toBe(0);
  });
});

describe('a kind that changes', () => {
  it.each([
    ['<input value="1.5x">', 'number', ''],
    ['<input value="1.5">', 'number', '1.5'],
    ['<input type=hidden value="a\nb">', 'text', 'ab'],
    ['<input type=checkbox value=v>', 'text', 'v'],
    ['<input type=text value=v>', 'file', ''],
    ['<input type=file>', 'text', ''],
    ['<input type=text>', 'range', '50'],
    ['<input type=text>', 'checkbox', 'on'],
  ])('%s to %s has the value %j', (markup, type, value) => {
    expect(idlValueOf(withType(parsed(markup), type))).toBe(value);
  });
  it('takes what was typed along into the attribute, where that is the value now', () => {
    expect(withType(set(parsed('<input value=a>'), 'b'), 'hidden').attributes.value).toBe('b');
  });
  it('is that of an input alone', () => {
    const area = parsed('<textarea>x</textarea>');
    expect(withType(area, 'number')).toBe(area);
  });
  it('takes the value from the attribute anew in engines that do so', () => {
    const date = parsed('<input type=date value="not a date">');
    expect(idlValueOf(withType(date, 'text'))).toBe('');
    expect(idlValueOf(withType(date, 'text', engineDeviations.chromium))).toBe('not a date');
  });
});

describe('a select', () => {
  it.each([
    ['<select required><option value="">choose<option>a</select>', true],
    ['<select required><option>a</select>', false],
    ['<select required><optgroup label=g><option value="">x</optgroup></select>', false],
    ['<select required size=2><option value="" selected>x</select>', false],
    ['<select required multiple><option>a</select>', true],
    ['<select required></select>', true],
    ['<select required><option>a<option value="" selected>b</select>', false],
  ])('%s: nothing chosen is %s', (markup, expected) => {
    expect(isUnselected(parsed(markup))).toBe(expected);
  });
  it('loses its choice to a value that it does not have', () => {
    const select = parsed('<select><option>a<option>b</select>');
    expect(idlValueOf(set(select, 'b'))).toBe('b');
    expect(idlValueOf(set(select, 'c'))).toBe('');
  });
  it('starts with a disabled option in WebKit alone', () => {
    const markup = '<select><option disabled>a<option>b</select>';
    expect(idlValueOf(parsed(markup, engineDeviations.webkit))).toBe('a');
    expect(idlValueOf(parsed(markup, engineDeviations.chromium))).toBe('b');
  });
});

describe('any control', () => {
  const kinds = inputTypes.filter((type) => type !== 'file');
  it('holds a value that setting it again does not change', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.string(),
        fc.constantFrom('', ' min=3', ' max=9 step=2'),
        (type, value, more) => {
          const once = set(parsed(`<input type=${type}${more}>`), value);
          expect(idlValueOf(set(once, idlValueOf(once)))).toBe(idlValueOf(once));
        },
      ),
    );
  });
  it('never changes what it was made from', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.constantFrom(...kinds), fc.string(), (from, to, value) => {
        const state = parsed(`<input type=${from} value=a>`);
        const before = JSON.stringify(state);
        withType(set(withChecked(withCustomValidity(state, 'x'), true), value), to);
        expect(JSON.stringify(state)).toBe(before);
      }),
    );
  });
  it('has one of four modes', () => {
    const modes = (mode: string) => inputTypes.filter((type: FieldKind) => valueModeOf(type) === mode);
    expect(modes('filename')).toEqual(['file']);
    expect(modes('default/on')).toEqual(['checkbox', 'radio']);
    expect(modes('default')).toEqual(['hidden', 'submit', 'image', 'reset', 'button']);
  });
});

describe('what the constraints of a control read', () => {
  it.each([
    ['<input type=file>', { checked: false, isUnselected: false, isEntry: true }],
    ['<input type=checkbox checked>', { checked: true }],
    ['<select required><option value="">a</select>', { isUnselected: true, isEntry: false }],
    ['<input>', { isUnselected: false, isNameless: true, editedByPerson: false, badInput: false }],
    ['<input name=a>', { isNameless: false }],
    ['<textarea name=""></textarea>', { isEntry: true, isNameless: true }],
    ['<button readonly></button>', { isEntry: false, readonly: true }],
    ['<fieldset disabled><input></fieldset>', { disabled: true }],
    ['<datalist><input></datalist>', { inDatalist: true }],
    ['<input minlength=1 maxlength=2 pattern=a>', { minlength: '1', maxlength: '2', pattern: 'a' }],
  ])('%s: %j', (markup, expected) => {
    expect(constraintsOf(parsed(markup))).toMatchObject(expected);
  });

  it('is that files were chosen, however many', () => {
    const file = parsed('<input type=file>');
    const chosen = [0, 1, 3].map((count) => constraintsOf(withFiles(file, count)).checked);
    expect(chosen).toEqual([false, true, true]);
  });
});

describe('the value that a script reads', () => {
  it.each([
    ['<output>x</output>', 'x'],
    ['<input type=submit>', ''],
    ['<input type=reset value=r>', 'r'],
    ['<button>Go</button>', ''],
    ['<input type=radio>', 'on'],
    ['<input type=radio value="">', ''],
    ['<select></select>', ''],
    ['<select multiple><option>a<option selected>b</select>', 'b'],
    ['<select size=0><option>a</select>', ''],
    ['<select size=1><option>a</select>', 'a'],
    ['<select size=x><option>a</select>', 'a'],
    ['<select multiple><option>a</select>', ''],
    ['<select><option disabled>a</select>', ''],
  ])('of %s is %j', (markup, value) => {
    expect(idlValueOf(parsed(markup))).toBe(value);
  });

  it('of a button is its attribute, which a script sets', () => {
    const changed = set(parsed('<button value=a>Go</button>'), 'b');
    expect([changed.attributes.value, changed.isDirty]).toEqual(['b', false]);
  });

  it('goes when a kind becomes one of files', () => {
    expect(withType(set(parsed('<input>'), 'x'), 'file').value).toBe('');
    expect(withType(parsed('<input type=hidden value=a>'), 'file').value).toBe('');
    expect(withType(set(parsed('<input type=file>'), ''), 'file').kind).toBe('file');
  });

  it('is anew that of the attribute where a kind has one again', () => {
    const hidden = { ...parsed('<input type=hidden value=a>'), isDirty: true };
    expect(withType(hidden, 'text')).toMatchObject({ value: 'a', isDirty: false });
    expect(withType({ ...parsed('<input type=file>'), isDirty: true }, 'text')).toMatchObject({
      value: '',
      isDirty: false,
    });
    expect(withType(set(parsed('<input value=a>'), 'b'), 'search')).toMatchObject({
      value: 'b',
      isDirty: true,
    });
  });

  it('is not taken into the attribute where it is empty, or none before', () => {
    expect(withType(set(parsed('<input value=a>'), ''), 'hidden').attributes.value).toBe('a');
    expect(withType(set(parsed('<input value=a>'), 'b'), 'checkbox').attributes.value).toBe('b');
    expect(withType(set(parsed('<input value=a>'), 'b'), 'search').attributes.value).toBe('a');
  });

  it('is made anew by an attribute only of an input', () => {
    expect(withAttributes(parsed('<textarea>x</textarea>'), { value: 'b' }).value).toBe('x');
    expect(withAttributes(parsed('<input value=a>'), { name: 'n' })).toMatchObject({
      value: 'a',
      checked: false,
    });
  });
});
