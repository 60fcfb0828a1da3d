import { describe, expect, it } from 'vitest';
import { autocompleteFault, autocompleteNamesFor } from './autocomplete-tokens';
import { type FieldKind, inputTypes } from './field';
import { pageOf } from './page-controls';

function fault(value: string, element = '<input type=text'): string | null {
  const [control] = pageOf(`${element} autocomplete="${value}">`).controls;
  if (!control) throw new Error(element);
  return autocompleteFault(control);
}

describe('autocomplete', () => {
  it.each([
    '',
    '  ',
    'on',
    'OFF',
    'name',
    'Given-Name',
    'shipping postal-code',
    'section-boat billing country',
    'section-boat shipping work tel-national',
    'home email',
    'username webauthn',
  ])('%j is fine', (value) => {
    expect(fault(value)).toBeNull();
  });

  it.each([
    ['nmae', 'There is no autocomplete token “nmae”.'],
    ['on off', 'There is no autocomplete token “off”.'],
    ['postal-code shipping', 'There is no autocomplete token “shipping”.'],
    ['boat name', 'There is no autocomplete token “boat”.'],
    ['work name', '“work” does not go with “name”.'],
    ['webauthn', 'There is no autocomplete token “”.'],
    ['street-address', '“street-address” has several lines, a field of the kind text has one.'],
  ])('%j is not: %s', (value, text) => {
    expect(fault(value)).toBe(text);
  });

  it.each([
    ['email', '<input type=email', null],
    ['email', '<input type=number', '“email” does not go with a field of the kind number.'],
    ['one-time-code', '<input type=number', null],
    ['cc-number', '<input type=tel', null],
    ['cc-number', '<input type=number', '“cc-number” does not go with a field of the kind number.'],
    ['bday', '<input type=date', null],
    ['current-password', '<input type=password', null],
    ['name', '<input type=password', '“name” does not go with a field of the kind password.'],
    ['street-address', '<textarea', null],
    ['street-address', '<input type=hidden', null],
  ])('%j in %s>: %s', (value, element, text) => {
    expect(fault(value, element)).toBe(text);
  });

  it('offers for each kind what goes with it, and nothing else', () => {
    for (const kind of inputTypes as readonly FieldKind[]) {
      const names = autocompleteNamesFor(kind);
      expect(new Set(names).size).toBe(names.length);
      for (const name of names)
        expect([kind, name, fault(name, `<input type=${kind}`)]).toEqual([kind, name, null]);
    }
    expect(autocompleteNamesFor('email').slice(0, 2)).toEqual(['username', 'email']);
    expect(autocompleteNamesFor('password')).toEqual(['new-password', 'current-password', 'one-time-code']);
  });
});
