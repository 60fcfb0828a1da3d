import { describe, expect, it } from 'vitest';
import type { Field } from '../form/field';
import { readForm } from '../form/read-form';
import { targetId } from '../target/target';
import { comesUp, proposesWords } from './comes-up';
import { correctionOf, correctionsFor, keyOf, seenThings } from './correction';
import { entryOf } from './entry';
import { keyboardCheck } from './keyboard-check';
import { keyboardHabitsOf } from './keyboard-habits';

function fieldOf(markup: string): Field {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error(markup);
  return field;
}
function habits(id: string) {
  const found = keyboardHabitsOf(id);
  if (!found) throw new Error(id);
  return found;
}
const phone = targetId('blink-phone');
const said = (markup: string, corrections: Parameters<typeof comesUp>[3]) =>
  comesUp(habits(phone), entryOf(fieldOf(markup)), 'en-US', corrections);

describe('a correction', () => {
  const decimal = '<input type=number inputmode=decimal>';
  const one = correctionOf(phone, habits(phone), entryOf(fieldOf(decimal)), 'letters', '2026-11-26');
  const rules = correctionsFor([one], phone);

  it('outranks what is remembered, and says who said so', () => {
    expect(said(decimal, [])).toMatchObject({ brings: { sort: 'numbers' }, known: { sure: 'remembered' } });
    expect(said(decimal, rules)).toMatchObject({
      brings: { sort: 'letters' },
      keyboard: { name: expect.any(String) },
      known: { sure: 'corrected', source: 'a person saw it and said so on 2026-11-26' },
    });
  });

  it.each(['<input type=number>', '<input inputmode=decimal>', '<input type=number inputmode=numeric>'])(
    'is none for a field that is set otherwise: %s',
    (markup) => {
      expect(said(markup, rules)).toEqual(said(markup, []));
    },
  );

  it('is none for another target, and one that comes later has the same key', () => {
    expect(correctionsFor([one], targetId('webkit-phone'))).toEqual([]);
    const entry = entryOf(fieldOf(decimal));
    expect(correctionOf(phone, habits(phone), entry, 'no keyboard', '2026-12-01').key).toBe(one.key);
    expect(keyOf(phone, habits(phone), entry)).toBe(one.key);
  });

  it('of a field without inputmode says nothing of those that have one', () => {
    const plain = correctionOf(phone, habits(phone), entryOf(fieldOf('<input>')), 'digits', '2026-11-26');
    const all = correctionsFor([plain], phone);
    expect(said('<input>', all)).toMatchObject({ brings: { sort: 'digits' } });
    expect(said('<input inputmode=text>', all)).toMatchObject({ brings: { sort: 'letters' } });
  });

  it('of a native field goes by what it is for, whatever stands in the markup', () => {
    const native = targetId('native-phone-field');
    const entry = entryOf(fieldOf('<input type=email>'));
    const seen = correctionOf(native, habits(native), entry, 'letters', '2026-11-26');
    expect(seen.rule.entries).toEqual(['e-mail']);
    const other = entryOf(fieldOf('<input type=email inputmode=numeric>'));
    expect(comesUp(habits(native), other, 'en-US', [seen.rule]).known.sure).toBe('corrected');
  });

  it('changes what is found of the keyboard: a trap is gone when letters come up', () => {
    const code = fieldOf('<input inputmode=numeric pattern="[A-Z]{2}[0-9]{2}">');
    const seen = correctionOf(phone, habits(phone), entryOf(code), 'letters', '2026-11-26');
    const trap = (corrections: Parameters<typeof comesUp>[3]) =>
      keyboardCheck(code, [], [], phone, 'en-US', corrections)[0]?.trap;
    expect(trap([])).not.toBeNull();
    expect(trap([seen.rule])).toBeNull();
  });

  it.each(seenThings)('can be of %s', (seen) => {
    const { rule } = correctionOf(phone, habits(phone), entryOf(fieldOf('<input>')), seen, '2026-11-26');
    expect(said('<input>', [rule]).known.sure).toBe('corrected');
    expect(said('<input>', [rule]).keyboard === null).toBe(seen === 'no keyboard');
  });
});

describe('words', () => {
  const proposes = (id: string, markup: string) => {
    const entry = entryOf(fieldOf(markup));
    return proposesWords(habits(id), entry, comesUp(habits(id), entry, 'en-US'));
  };
  it.each([
    ['blink-phone', '<textarea>', true],
    ['webkit-phone', '<input>', true],
    ['blink-phone', '<input type=email>', false],
    ['blink-phone', '<input type=password>', false],
    ['blink-phone', '<input inputmode=numeric>', false],
    ['app-toolkit-field', '<input>', false],
  ])('are proposed on %s for %s: %s', (id, markup, expected) => {
    expect(proposes(id, markup)).toBe(expected);
  });
});
