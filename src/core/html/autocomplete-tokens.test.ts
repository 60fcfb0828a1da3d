import { describe, expect, it } from 'vitest';
import { type AutocompleteFault, autocompleteFault, autocompleteNamesFor } from './autocomplete-tokens';
import { type FieldKind, inputTypes } from './field';
import { pageOf } from './page-controls';

function fault(value: string, element = '<input type=text'): AutocompleteFault | null {
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
    ['nmae', { code: 'no such token', token: 'nmae' }],
    ['on off', { code: 'no such token', token: 'off' }],
    ['postal-code shipping', { code: 'no such token', token: 'shipping' }],
    ['boat name', { code: 'no such token', token: 'boat' }],
    ['work name', { code: 'no contact', token: 'work', name: 'name' }],
    ['webauthn', { code: 'no such token', token: '' }],
    ['street-address', { code: 'several lines', name: 'street-address', kind: 'text' }],
  ])('%j is not: %j', (value, found) => {
    expect(fault(value)).toEqual(found);
  });

  it.each([
    ['email', '<input type=email', null],
    ['email', '<input type=number', { code: 'another kind', name: 'email', kind: 'number' }],
    ['one-time-code', '<input type=number', null],
    ['cc-number', '<input type=tel', null],
    ['cc-number', '<input type=number', { code: 'another kind', name: 'cc-number', kind: 'number' }],
    ['home tel-national', '<input type=tel', null],
    ['cc-exp-month', '<input type=tel', null],
    ['postal-code', '<input type=tel', null],
    ['name', '<input type=tel', { code: 'another kind', name: 'name', kind: 'tel' }],
    ['cc-csc', '<input type=password', null],
    ['cc-name', '<input type=password', { code: 'another kind', name: 'cc-name', kind: 'password' }],
    ['bday', '<input type=date', null],
    ['current-password', '<input type=password', null],
    ['name', '<input type=password', { code: 'another kind', name: 'name', kind: 'password' }],
    ['street-address', '<textarea', null],
    ['street-address', '<input type=hidden', null],
  ])('%j in %s>: %j', (value, element, found) => {
    expect(fault(value, element)).toEqual(found);
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
