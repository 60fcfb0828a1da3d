import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { calledBy, nameAfter, unnamed } from './form-name';

describe('a form is called by', () => {
  it.each([
    ['its heading', '<title>Page</title><form><h2> Boat\n log </h2><input></form>', 'Boat log'],
    ['the label of the form', '<form aria-label="Boats"><legend>Hull</legend></form>', 'Boats'],
    ['a legend', '<form><fieldset><legend>Hull</legend><input></fieldset></form>', 'Hull'],
    ['the title of its page', '<title>Boats</title><h1> </h1><input name=a>', 'Boats'],
    ['its first fields', '<label>Boat <input></label><label>Depth <input></label>', 'Boat, Depth'],
    ['the first two of many fields', '<input name=a><input name=b><input name=c>', 'a, b …'],
    ['nothing', '', unnamed],
  ])('%s', (_, markup, name) => {
    expect(calledBy(markup)).toBe(name);
  });

  it('that until a person gives it a name', () => {
    const pasted = '<form><label>Boat <input name=boat></label></form>';
    expect(nameAfter(demoForm.name, demoForm.markup, pasted)).toBe('Boat');
    expect(nameAfter('Mine', demoForm.markup, pasted)).toBe('Mine');
    expect(nameAfter(unnamed, '', pasted)).toBe('Boat');
  });

  it('something that is not too long, whatever the markup is', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom('<h1>', '<title>', '<input name="', '<legend>'),
        (text, tag) => {
          const name = calledBy(tag + text);
          return name.length > 0 && Array.from(name).length <= 80;
        },
      ),
    );
  });
});
