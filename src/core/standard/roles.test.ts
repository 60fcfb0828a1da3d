import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { implicitRole } from './accessible-role';
import { writtenRole } from './aria-roles';
import { parsedState } from './control-state';

describe('the role of an element', () => {
  it.each([
    ['<input>', 'textbox'],
    ['<input type=tel>', 'textbox'],
    ['<input type=url>', 'textbox'],
    ['<input type=email>', 'textbox'],
    ['<textarea></textarea>', 'textbox'],
    ['<input type=search>', 'searchbox'],
    ['<input list=l>', 'combobox'],
    ['<input type=search list=l>', 'combobox'],
    ['<input type=password list=l>', null],
    ['<input type=range list=l>', 'slider'],
    ['<textarea list=l></textarea>', 'textbox'],
    ['<input type=password>', null],
    ['<input type=date>', null],
    ['<input type=color>', null],
    ['<input type=file>', null],
    ['<input type=number>', 'spinbutton'],
    ['<input type=range>', 'slider'],
    ['<input type=checkbox>', 'checkbox'],
    ['<input type=radio>', 'radio'],
    ['<button></button>', 'button'],
    ['<input type=reset>', 'button'],
    ['<input type=button>', 'button'],
    ['<input type=image>', 'button'],
    ['<meter></meter>', 'meter'],
    ['<progress></progress>', 'progressbar'],
    ['<output></output>', 'status'],
    ['<select></select>', 'combobox'],
    ['<select size=1></select>', 'combobox'],
    ['<select size=2></select>', 'listbox'],
    ['<select multiple></select>', 'listbox'],
  ])('%s is by itself %s', (markup, role) => {
    const [field] = readForm(markup).fields;
    expect(field && implicitRole(parsedState(field.controls[0]))).toBe(role);
  });

  it.each([
    ['button', 'button'],
    ['  nothing\n SWITCH\tbutton', 'switch'],
    ['widget', null],
    ['', null],
  ])('written as “%s” is %s', (written, role) => {
    expect(writtenRole(written)).toBe(role);
  });
});
