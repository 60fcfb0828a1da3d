import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { characterClasses } from './character-set';
import type { Guard, GuardStage } from './guard';
import { guardsSchema } from './guard-schema';
import { editingKeys, offeredGuards } from './offered-guards';
import { holds, mayStand, mended } from './rule';
import { decideBeforeInsert, decideKey, refusesToSend, rewriteAfterInput, rewriteOnLeaving } from './stages';

const at = (text: string, start = text.length, end = start) => ({ text, start, end });
const base = (stage: GuardStage, id = 'g') => ({ id, on: true, stage });
const digits = { classes: ['ASCII digits'], own: '' } as const;
const serial: readonly Guard[] = [
  {
    ...base('after input', 'set'),
    kind: 'allow',
    set: { classes: ['ASCII letters', 'ASCII digits'], own: '-' },
  },
  { ...base('after input', 'case'), kind: 'case', to: 'upper' },
  { ...base('after input', 'mask'), kind: 'mask', mask: 'XXX-0000-AA' },
];
const make = (kind: string, change: object = {}): Guard => {
  const made = offeredGuards.map((offer) => offer.make('g')).find((guard) => guard.kind === kind);
  return { ...made, ...change } as Guard;
};

describe('the key stage', () => {
  const press = (key: string, guard: Guard, isShortcut = false) =>
    decideKey([guard], { key, isShortcut, newText: key }).pass;
  const filter: Guard = { ...base('key'), kind: 'allow', set: digits, keys: editingKeys };
  it('lets characters pass by the rule, and named keys by the list', () => {
    expect(['5', 'Backspace', 'Tab', 'Enter'].map((key) => press(key, filter))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(['x', 'F5', ' '].map((key) => press(key, filter))).toEqual([false, false, false]);
  });
  it('swallows what the list forgets, shortcuts among it', () => {
    const forgetful = { ...filter, keys: ['Tab'] };
    expect(press('Backspace', forgetful)).toBe(false);
    expect(press('a', forgetful, true)).toBe(false);
    expect(press('a', filter, true)).toBe(true);
  });
  it('goes by what each rule is about: the key, or the text that it makes', () => {
    const decide = (guard: Guard, key: string, newText: string, isShortcut = false) =>
      decideKey([guard], { key, isShortcut, newText }).pass;
    const denied: Guard = { ...base('key'), kind: 'deny', set: digits };
    expect([decide(denied, '5', 'x5'), decide(denied, 'x', '5x')]).toEqual([false, true]);
    expect(decide({ ...denied, set: { classes: [], own: '😀' } }, '😁', '😁')).toBe(true);
    const letters: Guard = { ...base('key'), kind: 'pattern', source: '[a-z]', match: 'whole' };
    expect([decide(letters, 'b', 'ab'), decide(letters, 'B', 'b')]).toEqual([true, false]);
    const short: Guard = { ...base('key'), kind: 'length', most: 2, unit: 'graphemes' };
    expect([decide(short, 'b', 'ab'), decide(short, 'c', 'abc')]).toEqual([true, false]);
    expect([decide(short, 'Shift', 'a'), decide({ ...short, keys: ['Shift'] }, 'Shift', 'a')]).toEqual([
      false,
      true,
    ]);
    // The name of a key lets it pass alone, not in a shortcut.
    expect(decide({ ...short, keys: ['a'] }, 'a', 'aaa')).toBe(true);
    expect(decide({ ...short, keys: ['a'] }, 'a', 'aaa', true)).toBe(false);
  });
  it('names the first guard that stops a key, of those that are on and act there', () => {
    const none = { kind: 'allow', set: { classes: [], own: '' } } as const;
    const guards: Guard[] = [
      { ...base('before insert', 'elsewhere'), ...none },
      { ...base('key', 'off'), ...none, on: false },
      { ...base('key', 'first'), ...none },
      { ...base('key', 'second'), ...none },
    ];
    const press = { key: '5', isShortcut: false, newText: '5' };
    expect(decideKey(guards, press)).toEqual({ pass: false, guard: 'first' });
    expect(decideKey([], press)).toEqual({ pass: true });
  });
  it('has nothing to decide by where a keyboard names no key', () => {
    for (const key of ['Unidentified', 'Process', 'Dead'])
      expect(press(key, { ...filter, keys: [] })).toBe(true);
  });
});

describe('the stage before a text is put in', () => {
  const decide = (guard: Guard, oldText: string, newText: string, inserted: string) =>
    decideBeforeInsert([guard], { oldText, newText, inserted }).pass;
  it('judges characters by what comes in, and all else by what becomes of the text', () => {
    const only: Guard = { ...base('before insert'), kind: 'allow', set: digits };
    expect([decide(only, 'x', 'x1', '1'), decide(only, '1', '1x', 'x')]).toEqual([true, false]);
    const none: Guard = { ...base('before insert'), kind: 'deny', set: digits };
    expect([decide(none, '1', '1x', 'x'), decide(none, 'x', 'x1', '1')]).toEqual([true, false]);
    const short: Guard = { ...base('before insert'), kind: 'length', most: 2, unit: 'code units' };
    expect([decide(short, 'a', 'ab', 'b'), decide(short, 'ab', 'abc', 'c')]).toEqual([true, false]);
  });
});

describe('rewriting after input', () => {
  const typed = (text: string, guards = serial) => {
    let now = at('');
    for (const key of text)
      now = rewriteAfterInput(
        guards,
        now,
        at(now.text.slice(0, now.start) + key + now.text.slice(now.end), now.start + 1),
      );
    return now;
  };
  it('strips, puts in upper case and puts separators in, the caret behind what was typed', () => {
    expect(typed('tg47719qx')).toMatchObject({ text: 'TG4-7719-QX', start: 11, end: 11 });
    expect(typed('tg4-77')).toMatchObject({ text: 'TG4-77' });
  });
  it('goes back past a separator', () => {
    const before = typed('tg47');
    expect(before.text).toBe('TG4-7');
    expect(rewriteAfterInput(serial, before, at('TG4-')).text).toBe('TG4');
  });
  it('keeps the caret where a person expects it in the middle of a text', () => {
    // An x between T and G.
    expect(rewriteAfterInput(serial, at('TG4-77', 1), at('TxG4-77', 2))).toMatchObject({
      text: 'TXG-477',
      start: 2,
    });
    // A character that does not belong.
    expect(rewriteAfterInput(serial, at('TG4-77', 1), at('T!G4-77', 2))).toMatchObject({
      text: 'TG4-77',
      start: 1,
    });
  });
  it('goes back to the old text, selection and all', () => {
    const back: Guard = { ...base('after input'), kind: 'decimals', most: 2, remedy: 'go back' };
    expect(rewriteAfterInput([back], at('1.25', 1, 3), at('1x5', 2))).toMatchObject({
      text: '1.25',
      start: 1,
      end: 3,
    });
  });
  it('goes back by what may stand while one types, and on leaving by what holds', () => {
    const date = { kind: 'date', format: 'dd.mm.yyyy', remedy: 'go back' } as const;
    expect(rewriteAfterInput([{ ...base('after input'), ...date }], at('3'), at('31')).text).toBe('31');
    expect(rewriteOnLeaving([{ ...base('on leaving'), ...date }], at('3'), at('31')).text).toBe('3');
  });
  it('does nothing where it only refuses', () => {
    const refusing: Guard = { ...base('after input'), kind: 'allow', set: digits, remedy: 'refuse' };
    expect(rewriteAfterInput([refusing], at(''), at('x'))).toEqual({ ...at('x'), by: [], endless: null });
  });
  it('moves both ends of a selection, and puts the caret behind what another guard made of the old text', () => {
    const noSpaces: Guard = {
      ...base('after input', 'strip'),
      kind: 'deny',
      set: { classes: ['spaces'], own: '' },
    };
    expect(rewriteAfterInput([noSpaces], at(''), at('a b c', 1, 4))).toMatchObject({
      text: 'abc',
      start: 1,
      end: 2,
    });
    const back: Guard = { ...base('after input', 'back'), kind: 'decimals', most: 2, remedy: 'go back' };
    expect(rewriteAfterInput([noSpaces, back], at('1 2', 1), at('1 2x', 4))).toMatchObject({
      text: '12',
      end: 2,
      by: ['strip', 'back'],
    });
  });
  it('puts in what is fixed at the end also where as many characters as before stand', () => {
    const slash: Guard = { ...base('after input'), kind: 'mask', mask: '00/' };
    expect(rewriteAfterInput([slash], at('12'), at('13')).text).toBe('13/');
    expect(rewriteAfterInput([slash], at('12/'), at('12')).text).toBe('12');
  });
  it('skips guards that are off or act elsewhere, and says which ones did something', () => {
    const off = serial.map((guard) => ({ ...guard, on: false }));
    expect(rewriteAfterInput(off, at(''), at('x!')).by).toEqual([]);
    expect(rewriteAfterInput(serial, at(''), at('x!')).by).toEqual(['set', 'case']);
  });
  it('stops a guard that would rewrite for ever, names it, and leaves the text alone', () => {
    // Each round the mask puts its own digit in front of what was there.
    const endless: Guard = {
      ...base('after input', 'mask'),
      kind: 'mask',
      mask: '\\1A00000000000000000000000000000000000',
    };
    const fights: Guard[] = [
      endless,
      { ...base('after input', 'deny'), kind: 'deny', set: { classes: [], own: 'é' } },
    ];
    expect(rewriteAfterInput(fights, at(''), at('b')).endless).toBeNull();
    let flips = 0;
    const flipping = { ...base('after input', 'flip'), kind: 'case' } as Guard;
    Object.defineProperty(flipping, 'to', { get: () => (flips++ % 2 === 0 ? 'upper' : 'lower') });
    const found = rewriteAfterInput([flipping], at(''), at('b'));
    expect(found).toMatchObject({ text: 'b', endless: 'flip', by: [] });
  });
  it('comes to an end with any guards, and what it gives is left alone by a second look', () => {
    const guard = fc
      .constantFrom(...offeredGuards)
      .map(({ make: made, code }): Guard => ({ ...made(code), stage: 'after input' }));
    fc.assert(
      fc.property(
        fc.array(guard, { maxLength: 4 }),
        fc.string({ maxLength: 12 }),
        fc.string({ maxLength: 12 }),
        (guards, old, now) => {
          const once = rewriteAfterInput(guards, at(old), at(now));
          expect(once.start >= 0 && once.start <= once.end && once.end <= once.text.length).toBe(true);
          if (once.endless === null) expect(rewriteAfterInput(guards, once, once).text).toBe(once.text);
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('rules', () => {
  it.each<[string, object, string[], string[]]>([
    ['length', { most: 3, unit: 'graphemes' }, ['', 'abc', '👍🏽👍🏽👍🏽'], ['abcd']],
    ['length', { most: 3, unit: 'code units' }, ['abc', '😀a'], ['😀😀']],
    ['length', { most: 2, unit: 'code points' }, ['😀😀'], ['👍🏽a']],
    ['range', { min: -3, max: 8 }, ['-3', '8', '7.99', '0'], ['-3.01', '9', '-', 'x']],
    ['pattern', { source: '[A-Z]{3}', match: 'whole' }, ['ABC'], ['ABCD', 'abc']],
    ['pattern', { source: '[0-9]', match: 'part' }, ['a1b'], ['ab']],
    ['pattern', { source: '(', match: 'whole' }, ['anything'], []],
    ['words', { words: ['north', 'south'], sense: 'one of' }, ['north'], ['nor', 'North']],
    ['words', { words: ['test'], sense: 'none of' }, ['north'], ['my TEST entry']],
    [
      'date',
      { format: 'dd.mm.yyyy' },
      ['29.02.2024', '31.12.2026'],
      ['29.02.2026', '31.04.2026', '1.1.2026'],
    ],
    ['date', { format: 'yyyy-mm-dd' }, ['2000-02-29'], ['1900-02-29', '2026-13-01']],
    ['check digit', { method: 'mod 10' }, ['79927398713', '7992 7398 713'], ['79927398710', '0x']],
    ['check digit', { method: 'mod 11' }, ['0-306-40615-2', '080442957X'], ['0306406153']],
    ['check digit', { method: 'mod 97' }, ['GB82 WEST 1234 5698 7654 32'], ['GB82 WEST 1234 5698 7654 33']],
    ['mask', { mask: 'XXX-0000-AA' }, ['TG4-7719-QX'], ['TG4-7719', 'TG47719QX']],
  ])('%s %j hold to what they want in the end', (kind, change, good, bad) => {
    const guard = make(kind, change);
    expect(good.filter((text) => !holds(guard, text))).toEqual([]);
    expect(bad.filter((text) => holds(guard, text))).toEqual([]);
  });
  it.each<[string, object, string]>([
    ['range', { min: -3, max: 8 }, '-2.75'],
    ['range', { min: 100, max: 250 }, '104.5'],
    ['decimals', { most: 2, whole: 3 }, '-123.45'],
    ['words', { words: ['north', 'south'], sense: 'one of' }, 'south'],
    ['date', { format: 'dd.mm.yyyy' }, '29.02.2024'],
    ['check digit', { method: 'mod 10' }, '79927398713'],
    ['check digit', { method: 'mod 97' }, 'GB82WEST12345698765432'],
    ['mask', { mask: 'XXX-0000-AA' }, 'TG4-7719-QX'],
  ])('%s %j let every beginning of %s stand', (kind, change, whole) => {
    const guard = make(kind, change);
    for (let length = 0; length <= whole.length; length++)
      expect(mayStand(guard, whole.slice(0, length)), whole.slice(0, length)).toBe(true);
  });
  it.each<[string, object, string]>([
    ['range', { min: -3, max: 8 }, '81'],
    ['range', { min: 100, max: 250 }, '2510'],
    ['range', { min: 1, max: 8 }, '-'],
    ['decimals', { most: 2, whole: 3 }, '1234'],
    ['date', { format: 'dd.mm.yyyy' }, '32'],
    ['date', { format: 'dd.mm.yyyy' }, '30.02.2024'],
    ['mask', { mask: 'XXX-0000-AA' }, 'TG4-x'],
  ])('%s %j do not let %s stand: nothing that begins with it holds', (kind, change, text) => {
    expect(mayStand(make(kind, change), text)).toBe(false);
  });
  it('mend into what they let stand', () => {
    for (const { make: made } of offeredGuards) {
      const guard = made('g');
      expect(guardsSchema.isValidSync([guard])).toBe(true);
      fc.assert(
        fc.property(fc.string({ maxLength: 15 }), (text) => {
          const once = mended(guard, text, true);
          if (once !== text) expect(mayStand(guard, once)).toBe(true);
        }),
        { numRuns: 60 },
      );
    }
  });
  it('know every class of characters', () => {
    for (const name of Object.keys(characterClasses) as (keyof typeof characterClasses)[])
      expect(holds({ ...base('key'), kind: 'deny', set: { classes: [name], own: '' } }, '\u{10FFFF}')).toBe(
        true,
      );
  });
});

describe('the last two stages', () => {
  it('mend or go back on leaving, and refuse at submission in order', () => {
    const trim: Guard = {
      ...base('on leaving', 'trim'),
      kind: 'deny',
      set: { classes: ['spaces'], own: '' },
    };
    expect(rewriteOnLeaving([trim], at('old'), at(' a b ')).text).toBe('ab');
    expect(rewriteOnLeaving([{ ...trim, remedy: 'go back' }], at('old'), at(' a b ')).text).toBe('old');
    const strict: Guard[] = [make('pattern', { id: 'p' }), make('check digit', { id: 'c' })];
    expect(refusesToSend(strict, 'ABC')?.id).toBe('c');
    expect(refusesToSend(strict, 'x')?.id).toBe('p');
    expect(refusesToSend([{ ...trim, remedy: 'refuse' }], 'a b')?.id).toBe('trim');
    expect(refusesToSend([trim], 'a b')).toBeNull();
    expect(
      refusesToSend(
        strict.map((guard) => ({ ...guard, on: false })),
        'x',
      ),
    ).toBeNull();
  });
});
