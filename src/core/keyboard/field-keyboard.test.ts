import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import { decimalSeparators } from '../purpose/numbers-by-language';
import { targetId } from '../target/target';
import { accessoryDeed, actionKeyOf, focusOrder } from './action-key';
import { bringsText, comesUp } from './comes-up';
import { detoursOf } from './detour';
import { inputPurposes, traitsOf } from './input-traits';
import { insertedFor, maskedText, wantsCapitals } from './inserted-text';
import { trapsBySort } from './keyboard-check';
import { type BringsRule, keyboardHabitsOf } from './keyboard-habits';
import { cheapestSetting, entriesTable, settingsTable } from './settings';
import { trapOf } from './trap';

function fieldsOf(markup: string): readonly Field[] {
  return readForm(`<form action="/log">${markup}<button>Send</button></form>`).fields;
}
function fieldOf(markup: string): Field {
  const [field] = fieldsOf(markup);
  if (!field) throw new Error(markup);
  return field;
}
function habitsFor(target: string) {
  const keyboard = keyboardHabitsOf(target);
  const typing = habitsOf(targetId(target));
  if (!keyboard || !typing) throw new Error(target);
  return { keyboard, typing };
}
function shown(markup: string, target: string, language = 'en-US') {
  return comesUp(habitsFor(target).keyboard, traitsOf(fieldOf(markup)), language);
}
function trapped(markup: string, target: string, language = 'en-US', guards: readonly Guard[] = []) {
  const field = fieldOf(markup);
  const { keyboard } = shown(markup, target, language);
  if (!keyboard) throw new Error('no keyboard');
  const { typing: habits } = habitsFor(target);
  return trapOf(
    { ruled: { field, guards, samples: [] }, habits, separators: decimalSeparators(language) },
    keyboard,
  );
}

describe('what comes up', () => {
  it.each([
    ['<input name=a>', 'letters', 'letters', 'letters'],
    ['<input type=email name=a>', 'letters for e-mail', 'letters for e-mail', 'letters for e-mail'],
    ['<input type=url name=a>', 'letters for addresses', 'letters for addresses', 'letters for addresses'],
    ['<input type=tel name=a>', 'telephone', 'telephone', 'telephone'],
    ['<input type=number name=a>', 'numbers', 'letters, from the numbers', 'numbers'],
    ['<input type=number min=0 name=a>', 'numbers', 'letters, from the numbers', 'digits'],
    ['<input type=number min=0 step=.1 name=a>', 'numbers', 'letters, from the numbers', 'numbers'],
    ['<input inputmode=numeric name=a>', 'digits', 'digits', 'digits'],
    ['<input inputmode=DECIMAL name=a>', 'numbers', 'numbers', 'numbers'],
    ['<input autocomplete="section-a work tel" name=a>', 'letters', 'letters', 'telephone'],
    ['<input autocomplete=cc-csc name=a>', 'letters', 'letters', 'digits'],
    ['<input autocomplete=email inputmode=tel name=a>', 'telephone', 'telephone', 'telephone'],
    ['<input pattern="[0-9]*" name=a>', 'letters', 'digits', 'digits'],
    ['<input inputmode=none name=a>', 'no keyboard', 'no keyboard', 'letters'],
    ['<input readonly name=a>', 'no keyboard', 'no keyboard', 'no keyboard'],
    ['<textarea name=a></textarea>', 'letters', 'letters', 'letters'],
    ['<input type=checkbox name=a>', 'no keyboard', 'no keyboard', 'no keyboard'],
    ['<select name=a><option>x</select>', 'a list', 'a list', 'a list'],
  ])('for %s', (markup, blink, webkit, native) => {
    expect(
      ['blink-phone', 'webkit-phone', 'native-phone-field'].map((target) =>
        bringsText(shown(markup, target).brings),
      ),
    ).toEqual([blink, webkit, native]);
  });

  it('has every figure with its source, and starts with capitals where a sentence begins', () => {
    const { known, keyboard, firstLayer } = shown('<input name=a>', 'webkit-phone');
    expect([known.sure, keyboard?.known.sure]).toEqual(['remembered', 'remembered']);
    expect(firstLayer).toBe('capitals');
    expect(shown('<input name=a autocapitalize=none>', 'webkit-phone').firstLayer).toBe('letters');
    expect(shown('<input type=email name=a autocapitalize=words>', 'webkit-phone').firstLayer).toBe(
      'letters',
    );
    expect(shown('<input name=a>', 'webkit-phone', 'ar').firstLayer).toBe('letters');
  });

  it('is what a person corrected, and what a device told before that', () => {
    const entry = traitsOf(fieldOf('<input type=number name=a>'));
    const { keyboard } = habitsFor('webkit-phone');
    const said = (sort: 'digits' | 'numbers', sure: 'corrected' | 'captured'): BringsRule => ({
      kinds: ['number'],
      brings: { up: 'keyboard', sort },
      known: { source: 'test', sure },
    });
    const brings = (...rules: BringsRule[]) =>
      bringsText(comesUp({ ...keyboard, seen: { ...keyboard.seen, rules } }, entry, 'en-US').brings);
    expect(brings(said('numbers', 'corrected'))).toBe('numbers');
    expect(brings(said('numbers', 'corrected'), said('digits', 'captured'))).toBe('digits');
  });
});

describe('a trap', () => {
  it.each([
    ['<input name=a inputmode=numeric pattern="-?[0-9]+">', 'webkit-phone', 'en-US', '-1', '-'],
    ['<input name=a inputmode=decimal pattern="[0-9]+\\.[0-9]">', 'webkit-phone', 'de-DE', '1.1', '.'],
    [
      '<input name=a inputmode=numeric pattern="(?:0[1-9]|1[0-2]) ?/ ?[0-9]{2}">',
      'webkit-phone',
      'en-US',
      '11/11',
      '/',
    ],
    [
      '<input name=a inputmode=numeric pattern="[0-9]+(?:[.,][0-9]{2})?">',
      'webkit-phone',
      'en-US',
      '1.11',
      '.',
    ],
    ['<input name=a inputmode=numeric pattern="[A-Z][0-9]">', 'webkit-phone', 'en-US', 'A1', 'A'],
    ['<input name=a inputmode=numeric pattern="[0-9]?😀">', 'blink-phone', 'en-US', '😀', '😀'],
    ['<input name=a type=number inputmode=numeric min=-3 max=8>', 'webkit-phone', 'en-US', '-1', '-'],
    ['<input name=a type=email inputmode=numeric>', 'webkit-phone', 'en-US', 'a@b', 'a@'],
  ] as const)('%s on %s in %s: %s cannot be typed', (markup, target, language, value, missing) => {
    const trap = trapped(markup, target, language);
    expect(trap?.value).toBe(value);
    for (const character of missing) expect(trap?.missing).toContain(character);
  });

  it.each([
    ['<input name=a inputmode=decimal pattern="[0-9]+[.,][0-9]">', 'blink-phone', 'de-DE'],
    ['<input name=a type=number step=0.01 min=0>', 'native-ios-field', 'de-DE'],
    ['<input name=a pattern="[A-Z]{3}-[0-9]{2}">', 'webkit-phone', 'en-US'],
    ['<input name=a pattern=".{1,4}">', 'blink-phone', 'fi-FI'],
    ['<input name=a pattern="[A-Z]{3}-[0-9]{2}">', 'webkit-phone', 'ar'],
    ['<input name=a inputmode=numeric>', 'webkit-phone', 'en-US'],
    ['<input name=a type=number min=-3>', 'webkit-phone', 'en-US'],
    ['<input name=a inputmode=numeric pattern="[0-9]{2}">', 'webkit-phone', 'ar'],
    // What is merely allowed can be written otherwise.
    ['<input name=a inputmode=numeric pattern="[0-9 ]{13,23}">', 'webkit-phone', 'en-US'],
    ['<input name=a inputmode=numeric pattern="[0-9]{4}(?:[ \\-]?[0-9]{4}){3}">', 'webkit-phone', 'en-US'],
    ['<input name=a inputmode=numeric pattern="[\\d\\s]+">', 'webkit-phone', 'en-US'],
    ['<input name=a inputmode=tel pattern="[\\-0-9 .+]+">', 'webkit-phone', 'en-US'],
    ['<input name=a inputmode=numeric pattern="[0-9.]+">', 'webkit-phone', 'en-US'],
    ['<input name=a pattern="[\\p{L} ]+">', 'webkit-phone', 'en-US'],
    ['<input name=a pattern="\\S+">', 'blink-phone', 'en-US'],
    ['<input name=a inputmode=numeric pattern="[0-9]{2}/?[0-9]{2}">', 'webkit-phone', 'en-US'],
  ] as const)('is none for %s on %s in %s', (markup, target, language) => {
    expect(trapped(markup, target, language)).toBeNull();
  });

  it('is none where a guard puts in what the keyboard lacks, and one where nobody does', () => {
    const markup = '<input name=a inputmode=numeric pattern="[0-9]{2}-[0-9]{2}">';
    const mask: Guard = { kind: 'mask', stage: 'after input', id: 'm', on: true, mask: '00-00' };
    expect(trapped(markup, 'webkit-phone', 'en-US', [mask])).toBeNull();
    expect(trapped(markup, 'webkit-phone')?.value).toBe('11-11');
  });

  it('is by the guards too', () => {
    const letters: Guard = {
      kind: 'allow',
      stage: 'before insert',
      id: 'l',
      on: true,
      set: { classes: ['ASCII letters'], own: '' },
    };
    expect(trapped('<input name=a inputmode=numeric>', 'webkit-phone', 'en-US', [letters])?.value).toBe('A');
  });
});

describe('the action key', () => {
  const sheet =
    '<input name=a><textarea name=b></textarea><input type=number min=0 inputmode=numeric name=c>';
  const key = (markup: string, index: number, target: string) => {
    const fields = fieldsOf(markup);
    const field = fields[index];
    const { keyboard: habits } = habitsFor(target);
    const { keyboard } = comesUp(habits, traitsOf(field as Field), 'en-US');
    if (!field || !keyboard) throw new Error(markup);
    return actionKeyOf(field, fields, keyboard, habits);
  };

  it('goes to the next field, sends, or puts a newline, as the target has it', () => {
    const first = key(sheet, 0, 'blink-phone');
    expect(first.called).toBe('next');
    expect(first.deed.does === 'goes to' && first.deed.field.name).toBe('b');
    expect(key(sheet, 0, 'webkit-phone')).toMatchObject({ called: 'go', deed: { does: 'sends' } });
    expect(key(sheet, 1, 'blink-phone').deed.does).toBe('puts a newline');
    expect(key(sheet, 2, 'blink-phone')).toMatchObject({ called: 'go', deed: { does: 'sends' } });
  });

  it('is missing on a pad of digits, where the keys above it help', () => {
    expect(key(sheet, 2, 'webkit-phone')).toMatchObject({ called: null, trouble: null });
    expect(key(sheet, 2, 'native-ios-field').trouble).toBe('no action key');
  });

  it('is called what the field says, which moves on one platform and is a word on the other', () => {
    const hinted = '<input name=a enterkeyhint=previous><input name=b enterkeyhint=previous>';
    const blink = key(hinted, 1, 'blink-phone');
    expect(blink.deed.does === 'goes to' && blink.deed.field.name).toBe('a');
    expect(key(hinted, 1, 'webkit-phone')).toMatchObject({ called: 'previous', deed: { does: 'sends' } });
    expect(key('<input name=a enterkeyhint=done>', 0, 'blink-phone').deed.does).toBe(
      'puts the keyboard away',
    );
  });

  it('does nothing where Enter cannot send, and a text of many lines is then shut in', () => {
    const fields = readForm('<form><textarea name=a></textarea><input name=b><input name=c></form>').fields;
    const { keyboard: habits } = habitsFor('webkit-phone');
    const of = (index: number) => {
      const { keyboard } = comesUp(habits, traitsOf(fields[index] as Field), 'en-US');
      return actionKeyOf(fields[index] as Field, fields, keyboard as NonNullable<typeof keyboard>, habits);
    };
    expect(of(2).deed.does).toBe('nothing');
    expect(of(0).trouble).toBe('newline only');
  });

  it('follows the order of the Tab key', () => {
    const fields = fieldsOf(
      '<input name=a><input name=b tabindex=2><input name=c tabindex=1><input name=d tabindex=-1>',
    );
    expect(focusOrder(fields).map(({ name }) => name)).toEqual(['c', 'b', 'a', '']);
  });
});

describe('the keys above a keyboard', () => {
  const { fields } = readForm(
    '<form><input name=a><input type=hidden name=h><select name=s><option>1</select><input type=checkbox name=c><input type=date name=d tabindex=-1><input name=e disabled><textarea name=f></textarea><button>Go</button></form>',
  );
  const named = (name: string) => {
    const field = fields.find((one) => one.name === name);
    if (!field) throw new Error(name);
    return field;
  };
  const goes = (key: 'previous' | 'next', from: string) => {
    const deed = accessoryDeed(key, named(from), fields);
    return deed.does === 'goes to' ? deed.field.name : deed.does;
  };

  it('go through what is entered, past what is only ticked, hidden, disabled or out of the order', () => {
    expect(goes('next', 'a')).toBe('s');
    expect(goes('next', 's')).toBe('f');
    expect(goes('previous', 'f')).toBe('s');
  });
  it('end at either end, and put the keyboard away', () => {
    expect(goes('next', 'f')).toBe('nothing');
    expect(goes('previous', 'a')).toBe('nothing');
    expect(goes('next', 'd')).toBe('nothing');
    expect(accessoryDeed('done', named('a'), fields)).toEqual({ does: 'puts the keyboard away' });
  });
});

describe('settings', () => {
  it('are all told for a target', () => {
    const table = settingsTable(
      habitsFor('blink-phone').keyboard,
      traitsOf(fieldOf('<input name=a>')),
      'en-US',
    );
    expect(table.map(({ kind }) => kind)).toContain('tel');
    expect(table.every(({ cells }) => cells.length === 9)).toBe(true);
    expect(bringsText(table[0]?.cells[6]?.brings ?? { up: 'nothing' })).toBe('digits');
  });

  it('are marked where their keyboard lacks what the rule needs', () => {
    const field = fieldOf('<input type=number min=-3 max=8 step=0.01 name=a>');
    const ruled = { field, guards: [], samples: [] };
    const traps = trapsBySort(ruled, targetId('webkit-phone'), { language: 'en-US', corrections: [] });
    expect(traps?.digits?.missing).toContain('-');
    expect([traps?.letters, traps?.['letters, from the numbers']]).toEqual([null, null]);
    expect(trapsBySort(ruled, targetId('chromium'), { language: 'en-US', corrections: [] })).toBeNull();
  });

  it('of a native field are what it can be made for', () => {
    const entry = traitsOf(fieldOf('<input type=number min=0 name=a>'));
    const table = entriesTable(habitsFor('native-phone-field').keyboard, entry, 'en-US');
    const brings = Object.fromEntries(table.map(({ native, up }) => [native, bringsText(up.brings)]));
    expect(Object.keys(brings)).toEqual(inputPurposes);
    expect(brings).toMatchObject({
      phone: 'telephone',
      'digits-only secret': 'digits',
      'many lines': 'letters',
    });
  });

  it('the cheapest one is a mode before it is another kind, and none where no target agrees', () => {
    const targets = ['blink-phone', 'webkit-phone'].map((target) => habitsFor(target).keyboard);
    const entry = traitsOf(fieldOf('<input name=a>'));
    const wants = (name: string) =>
      cheapestSetting(targets, entry, 'en-US', (keyboard) => keyboard.name === name);
    expect(wants('letters')).toEqual({ kind: 'text', inputmode: null });
    expect(wants('telephone')).toEqual({ kind: 'text', inputmode: 'tel' });
    expect(wants('letters, from the numbers')).toBeNull();
  });

  it('that save taps are named', () => {
    const { keyboard } = habitsFor('webkit-phone');
    const plain = traitsOf(fieldOf('<input name=a autocapitalize=none>'));
    const [numbers, words] = detoursOf(['4711', 'ab'], keyboard, plain, 'en-US');
    expect(numbers).toMatchObject({ taps: { taps: 5, layerChanges: 1 }, better: null });
    expect(words).toMatchObject({ taps: { taps: 2 }, better: null });
    const [mixed] = detoursOf(['a@b.c'], keyboard, plain, 'en-US');
    expect(mixed?.better?.inputmode).toBe('email');
  });
});

describe('what arrives', () => {
  const { text } = habitsFor('webkit-phone').keyboard;
  it.each([
    [' ', 'Seal ', false, { replaces: ' ', text: '. ' }],
    [' ', '', false, { replaces: '', text: ' ' }],
    ['"', 'say ', false, { replaces: '', text: '“' }],
    ['"', 'say', false, { replaces: '', text: '”' }],
    ['-', 'a-', false, { replaces: '-', text: '—' }],
    ['"', 'say ', true, { replaces: '', text: '"' }],
  ])('%j after %j', (character, before, plain, expected) => {
    expect(insertedFor(character, before, text, plain)).toEqual(expected);
  });

  it('is in capitals where the field wants them', () => {
    expect(['', 'a', 'a ', 'a. '].map((before) => wantsCapitals(before, 'sentences'))).toEqual([
      true,
      false,
      false,
      true,
    ]);
    expect(['', 'a', 'a '].map((before) => wantsCapitals(before, 'words'))).toEqual([true, false, true]);
    expect(wantsCapitals('a', 'characters')).toBe(true);
    expect(wantsCapitals('', 'none')).toBe(false);
  });

  it('is masked, the last character a moment later', () => {
    expect(maskedText('471', text, true)).toBe('••1');
    expect(maskedText('471', text, false)).toBe('•••');
    expect(maskedText('47', { ...text, revealed: 0 }, true)).toBe('••');
  });
});
