import { describe, expect, it } from 'vitest';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { targetId } from '../target/target';
import { actionKeyOf } from './action-key';
import { comesUp, proposesWords } from './comes-up';
import {
  type Correction,
  correctedHabits,
  correctionOf,
  habitCorrection,
  habitKey,
  keyOf,
  keysCorrection,
  keysKey,
  seenThings,
} from './correction';
import { traitsOf } from './input-traits';
import { charactersOf } from './keyboard';
import { keyboardCheck } from './keyboard-check';
import { keyboardFaults } from './keyboard-faults';
import { keyboardHabitsOf } from './keyboard-habits';
import type { RuledField } from './ruled-field';
import { type HabitValue, knownOf, type SingleHabit, singleHabits, withHabit } from './single-habit';

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
function corrected(id: string, corrections: readonly Correction[]) {
  const found = correctedHabits(targetId(id), corrections);
  if (!found) throw new Error(id);
  return found;
}
const ruled = (field: Field): RuledField => ({ field, guards: [], samples: [] });
const said = (markup: string, corrections: readonly Correction[]) =>
  comesUp(corrected(phone, corrections), traitsOf(fieldOf(markup)), 'en-US');

describe('a correction', () => {
  const decimal = '<input type=number inputmode=decimal>';
  const one = correctionOf(phone, habits(phone), traitsOf(fieldOf(decimal)), 'letters', '2026-11-26');

  it('outranks what is remembered, and says who said so', () => {
    expect(said(decimal, [])).toMatchObject({ brings: { sort: 'numbers' }, known: { sure: 'remembered' } });
    expect(said(decimal, [one])).toMatchObject({
      brings: { sort: 'letters' },
      keyboard: { name: expect.any(String) },
      known: { sure: 'corrected', source: 'a person saw it and said so on 2026-11-26' },
    });
  });

  it.each(['<input type=number>', '<input inputmode=decimal>', '<input type=number inputmode=numeric>'])(
    'is none for a field that is set otherwise: %s',
    (markup) => {
      expect(said(markup, [one])).toEqual(said(markup, []));
    },
  );

  it('is none for another target, and one that comes later has the same key', () => {
    expect(corrected('webkit-phone', [one])).toEqual(habits('webkit-phone'));
    const entry = traitsOf(fieldOf(decimal));
    expect(correctionOf(phone, habits(phone), entry, 'no keyboard', '2026-12-01').key).toBe(one.key);
    expect(keyOf(phone, habits(phone), entry)).toBe(one.key);
  });

  it('of a field without inputmode says nothing of those that have one', () => {
    const plain = correctionOf(phone, habits(phone), traitsOf(fieldOf('<input>')), 'digits', '2026-11-26');
    const all = [plain];
    expect(said('<input>', all)).toMatchObject({ brings: { sort: 'digits' } });
    expect(said('<input inputmode=text>', all)).toMatchObject({ brings: { sort: 'letters' } });
  });

  it('of a native field goes by what it is for, whatever stands in the markup', () => {
    const native = targetId('native-phone-field');
    const entry = traitsOf(fieldOf('<input type=email>'));
    const seen = correctionOf(native, habits(native), entry, 'letters', '2026-11-26');
    expect(seen).toMatchObject({ rule: { entries: ['e-mail'] } });
    const other = traitsOf(fieldOf('<input type=email inputmode=numeric>'));
    expect(comesUp(corrected(native, [seen]), other, 'en-US').known.sure).toBe('corrected');
  });

  it('changes what is found of the keyboard: a trap is gone when letters come up', () => {
    const code = fieldOf('<input inputmode=numeric pattern="[A-Z]{2}[0-9]{2}">');
    const seen = correctionOf(phone, habits(phone), traitsOf(code), 'letters', '2026-11-26');
    const trap = (corrections: readonly Correction[]) =>
      keyboardCheck(ruled(code), phone, { language: 'en-US', corrections })[0]?.trap;
    expect(trap([])).not.toBeNull();
    expect(trap([seen])).toBeNull();
  });

  it.each(seenThings)('can be of %s', (seen) => {
    const one = correctionOf(phone, habits(phone), traitsOf(fieldOf('<input>')), seen, '2026-11-26');
    expect(said('<input>', [one]).known.sure).toBe('corrected');
    expect(said('<input>', [one]).keyboard === null).toBe(seen === 'no keyboard');
  });
});

describe('a correction of keys', () => {
  const level = fieldOf('<input type=number inputmode=decimal min=-3 max=8 step=0.01>');
  const pad = { sort: 'numbers', language: 'en-US' } as const;
  const keys = (has: readonly string[], lacks: readonly string[]) =>
    keysCorrection(targetId('webkit-phone'), { ...pad, has, lacks }, '2026-11-26');
  const missing = (...corrections: readonly Correction[]) =>
    keyboardCheck(ruled(level), targetId('webkit-phone'), { language: 'en-US', corrections })[0]?.trap
      ?.missing ?? [];

  it('puts a key there that was seen, and the trap is gone', () => {
    expect(missing()).toEqual(['-']);
    expect(missing(keys(['-'], []))).toEqual([]);
  });

  it('takes a key away that is not there, and leaves its place empty', () => {
    expect(missing(keys([], ['.']))).toEqual(expect.arrayContaining(['-', '.']));
    const { keyboard, known } = comesUp(
      corrected('webkit-phone', [keys([], ['.'])]),
      traitsOf(level),
      'en-US',
    );
    const there = comesUp(habits('webkit-phone'), traitsOf(level), 'en-US').keyboard;
    expect(keyboard?.layers.map(({ rows }) => rows.map((row) => row.length))).toEqual(
      there?.layers.map(({ rows }) => rows.map((row) => row.length)),
    );
    expect(keyboard?.known.sure).toBe('corrected');
    expect(known.sure).toBe('remembered');
  });

  it('says nothing of another language, of another sort, and of what was there anyway', () => {
    const same = (corrections: readonly Correction[]) => said('<input>', corrections).keyboard;
    expect(
      same([
        keysCorrection(
          phone,
          { ...pad, sort: 'letters', language: 'de-DE', has: ['☃'], lacks: [] },
          '2026-11-26',
        ),
      ]),
    ).toEqual(same([]));
    expect(same([keysCorrection(phone, { ...pad, has: ['☃'], lacks: [] }, '2026-11-26')])).toEqual(same([]));
    expect(
      same([keysCorrection(phone, { ...pad, sort: 'letters', has: ['a'], lacks: ['☃'] }, '2026-11-26')]),
    ).toEqual(same([]));
  });

  it.each(['blink-phone', 'webkit-phone', 'native-ios-field'])('leaves %s a whole keyboard', (id) => {
    for (const sort of ['letters', 'numbers', 'telephone'] as const) {
      const seen = keysCorrection(
        targetId(id),
        { sort, language: 'en-US', has: ['☃', 'ß'], lacks: ['1', ' '] },
        '2026-11-26',
      );
      const as = corrected(id, [
        seen,
        correctionOf(targetId(id), habits(id), traitsOf(level), sort, '2026-11-26'),
      ]);
      const { keyboard } = comesUp(as, traitsOf(level), 'en-US');
      expect(keyboard && keyboardFaults(keyboard)).toEqual([]);
      const there = keyboard && charactersOf(keyboard);
      expect(['☃', '1'].map((one) => there?.has(one))).toEqual([true, false]);
    }
  });

  it('has one key for each keyboard of a target', () => {
    expect(keys(['-'], []).key).toBe(keysKey(targetId('webkit-phone'), pad));
    expect(keys([], ['.']).key).toBe(keys(['-'], []).key);
  });
});

describe('a correction of a single habit', () => {
  const on = '2026-11-26';
  const other = (habit: SingleHabit, now: HabitValue): HabitValue => {
    switch (habit.range.is) {
      case 'yes or no':
        return !now;
      case 'one of':
        return habit.range.choices.find((one) => one !== now) ?? '';
      case 'text':
        return now === '*' ? '#' : '*';
      case 'number':
        return Number(now) + 1;
    }
  };

  it.each(singleHabits.map((habit) => [habit.id, habit] as const))(
    'is read back, and of that one alone: %s',
    (id, habit) => {
      for (const target of ['blink-phone', 'webkit-phone', 'app-toolkit-field']) {
        const shipped = habits(target);
        const value = other(habit, habit.read(shipped));
        const seen = corrected(target, [habitCorrection(targetId(target), habit, value, on)]);
        expect(habit.read(seen)).toBe(value);
        expect(knownOf(habit, seen).sure).toBe('corrected');
        expect(knownOf(habit, shipped).sure).not.toBe('corrected');
        for (const rest of singleHabits)
          if (rest.id !== id) expect(rest.read(seen)).toEqual(rest.read(shipped));
      }
    },
  );

  it.each<[string, unknown]>([
    ['text.predicts', 'yes'],
    ['text.revealed', -1],
    ['text.revealed', 99_999],
    ['text.mask', '••'],
    ['text.mask', ''],
    ['action.otherwise', 'fly'],
    ['no such habit', true],
    ['constructor', true],
  ])('leaves all as it was where %s cannot be %j', (id, value) => {
    const known = { source: 'test', sure: 'corrected' } as const;
    expect(withHabit(habits(phone), id, value, known)).toBe(habits(phone));
  });

  it('is followed: words are proposed no more, and the key is called otherwise', () => {
    const find = (id: string) => singleHabits.find((one) => one.id === id) as SingleHabit;
    const field = fieldOf('<form><input><button>Send</button></form>');
    const seen = corrected(phone, [
      habitCorrection(phone, find('text.predicts'), false, on),
      habitCorrection(phone, find('action.otherwise'), 'search', on),
      habitCorrection(phone, find('action.label.search'), 'look', on),
    ]);
    const up = comesUp(seen, traitsOf(field), 'en-US');
    expect(proposesWords(seen, traitsOf(field), up)).toBe(false);
    expect(up.keyboard && actionKeyOf(field, [field], up.keyboard, seen).label).toBe('look');
    expect(habitKey(phone, 'text.predicts')).not.toBe(habitKey(phone, 'text.mask'));
  });
});

describe('words', () => {
  const proposes = (id: string, markup: string) => {
    const entry = traitsOf(fieldOf(markup));
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
