import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import { typeScript } from '../model/type-script';
import { targetId } from '../target/target';
import { comesUp, proposesWords } from './comes-up';
import { traitsOf } from './input-traits';
import { keyboardHabitsOf } from './keyboard-habits';
import { chosen, proposals, wordBefore } from './proposals';
import { scriptOf, untapped } from './tapping';

const noon = new Date('2026-03-14T12:00:00');

describe('words that are proposed', () => {
  it.each([
    ['', []],
    ['Grey ', []],
    ['Grey se', ['se', 'seal']],
    ['S', ['S', 'Skerry', 'Skua']],
    ['sK', ['sK', 'sKerry', 'sKua']],
    ['Skerry', ['Skerry']],
    ['12:', []],
  ])('while %j stands before the caret are %j', (before, words) => {
    expect(proposals(before, ['Skerry 4', 'Skua', 'Sandpiper', 'seal'])).toEqual(words);
  });

  it.each(['blink-phone', 'webkit-phone', 'native-phone-field'])(
    'come with a space when one is chosen: %s',
    (id) => {
      const [field] = readForm('<input name=a>').fields;
      const habits = habitsOf(targetId(id));
      if (!field || !habits) throw new Error(id);
      fc.assert(
        fc.property(fc.constantFrom('', 'Grey ', '12-'), fc.nat(6), (first, typed) => {
          const word = 'Skerry';
          const before = first + word.slice(0, typed);
          const strokes = Array.from(before, (key) => ({ kind: 'key' as const, key }));
          const now = chosen({ ...untapped, strokes }, word, before);
          const steps = typeScript(field, scriptOf(now), [], { ...habits, now: noon }).steps;
          return steps.at(-1)?.text === `${first}${word} ` && wordBefore(steps.at(-1)?.text ?? '') === '';
        }),
      );
    },
  );

  it('go on with the word that is composed, and end it', () => {
    const [field] = readForm('<input name=a>').fields;
    const habits = habitsOf(targetId('blink-phone'));
    if (!field || !habits) throw new Error('no habits');
    const now = chosen({ ...untapped, strokes: [{ kind: 'key', key: 'S' }] }, 'Skua', 'S');
    const events = typeScript(field, scriptOf(now), [], { ...habits, now: noon }).steps.flatMap(
      (step) => step.events,
    );
    const composition = events
      .filter(({ type }) => type.startsWith('composition'))
      .map((one) => [one.type, one.data]);
    expect(composition).toEqual([
      ['compositionstart', ''],
      ['compositionupdate', 'S'],
      ['compositionupdate', 'Skua'],
      ['compositionend', 'Skua'],
    ]);
  });

  it.each([
    ['<input name=a>', true, true],
    ['<input name=a autocomplete=" Off ">', false, true],
    ['<input name=a autocorrect=off>', false, false],
    ['<input name=a autocomplete=name>', false, false],
    ['<input name=a type=email>', false, false],
  ])('come up for %s on Android-like phones: %s, on iOS-like ones: %s', (markup, blink, webkit) => {
    const [field] = readForm(markup).fields;
    if (!field) throw new Error(markup);
    const proposes = (id: string) => {
      const habits = keyboardHabitsOf(id);
      const entry = traitsOf(field);
      return habits && proposesWords(habits, entry, comesUp(habits, entry, 'en-US'));
    };
    expect([proposes('blink-phone'), proposes('webkit-phone')]).toEqual([blink, webkit]);
  });
});
