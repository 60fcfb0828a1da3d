import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type CharacterClass, characterClasses, isInSet, keptOf } from './character-set';

const classNames = Object.keys(characterClasses) as CharacterClass[];
const set = fc.record({
  classes: fc.subarray(classNames, { maxLength: 3 }),
  own: fc.string({ unit: fc.constantFrom('-', ']', '\\', '^', 'q', '😀'), maxLength: 4 }),
});

describe('the characters of a set', () => {
  it('are kept, and all others left out, character by character', () => {
    fc.assert(
      fc.property(set, fc.string({ unit: 'binary' }), fc.boolean(), (chosen, text, belong) => {
        const expected = Array.from(text).filter((one) => isInSet(chosen, one) === belong);
        expect(keptOf(chosen, text, belong)).toBe(expected.join(''));
      }),
    );
  });

  it('are parted without loss', () => {
    fc.assert(
      fc.property(set, fc.string({ unit: 'grapheme' }), (chosen, text) => {
        const [inside, outside] = [keptOf(chosen, text, true), keptOf(chosen, text, false)];
        expect(inside.length + outside.length).toBe(text.length);
      }),
    );
  });

  it('may be lone surrogates', () => {
    expect(keptOf({ classes: ['ASCII letters'], own: '\ud83d' }, 'a\ud83db\ude00', true)).toBe('a\ud83db');
  });
});
