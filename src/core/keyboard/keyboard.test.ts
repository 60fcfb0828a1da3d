import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { languages } from '../target/variant';
import { keyRows } from './key-rows';
import { charactersOf, hasActionKey, type Keyboard, reachableLayers } from './keyboard';
import { keyboardFaults } from './keyboard-faults';
import { keyboardFamilies, keyboardOf, keyboardSorts } from './keyboards';
import { missingFrom, tapsFor } from './taps';

const known = { source: 'made up for a test', sure: 'remembered' } as const;
const board = (...layers: [string, readonly string[], string?][]): Keyboard => {
  const [first, ...others] = layers.map(([id, rows, returnsTo]) => ({
    id,
    rows: keyRows(...rows),
    ...(returnsTo !== undefined && { returnsTo }),
  }));
  if (!first) throw new Error('no layers');
  return { name: 'test', layers: [first, ...others], written: null, known };
};
const small = board(
  ['letters', ['a|áà b <to:capitals:⇧>', '<to:numbers:123> <space:3> <action>']],
  ['capitals', ['A B <to:letters:⇩>'], 'letters'],
  ['numbers', ['1 2 <to:letters:abc>']],
);

describe('rows of keys', () => {
  it('are read from a short notation', () => {
    expect(keyRows('a e|éè <space:5> <erase> <to:numbers:?123:1.5> | .com <gap>')).toEqual([
      [
        { does: 'text', text: 'a' },
        { does: 'text', text: 'e', held: ['é', 'è'] },
        { does: 'text', text: ' ', width: 5 },
        { does: 'erase' },
        { does: 'layer', to: 'numbers', label: '?123', width: 1.5 },
        { does: 'text', text: '|' },
        { does: 'text', text: '.com' },
        { does: 'gap' },
      ],
    ]);
  });
});

describe('a keyboard', () => {
  it('brings what is on any layer that can be reached, and what comes up by holding', () => {
    expect([...charactersOf(small)].sort().join('')).toBe(' 12ABabàá');
    expect(reachableLayers(small).map(({ id }) => id)).toEqual(['letters', 'capitals', 'numbers']);
    expect(hasActionKey(small)).toBe(true);
  });

  it.each(keyboardFamilies.flatMap((family) => keyboardSorts.map((sort) => [family, sort] as const)))(
    '%s, %s: has no holes, in any language',
    (family, sort) => {
      for (const language of [...languages, 'el', 'hi', 'ja', 'ko', 'tr', 'ka', 'vi']) {
        const keyboard = keyboardOf(family, sort, language);
        expect(keyboardFaults(keyboard)).toEqual([]);
      }
    },
  );

  it.each([
    [board(['a', ['x <to:b:B>']]), { code: 'leads nowhere', layer: 'a', to: 'b' }],
    [board(['a', ['x <to:b:B>']], ['b', ['y']]), { code: 'no way back', layer: 'b', first: 'a' }],
    [board(['a', ['x']], ['b', ['y <to:a:A>']]), { code: 'not reached', layer: 'b' }],
    [board(['a', ['x <to:a:A>']], ['a', ['y']]), { code: 'two layers', layer: 'a' }],
    [board(['a', ['<erase>']]), { code: 'no characters' }],
  ])('with a hole has a fault', (keyboard, fault) => {
    expect(keyboardFaults(keyboard)).toContainEqual(fault);
  });
});

describe('taps', () => {
  it.each([
    ['ab', 2, 0, 0],
    ['aB', 3, 1, 0],
    ['AB', 4, 2, 0],
    ['a1b2', 7, 3, 0],
    ['á', 1, 0, 1],
    ['', 0, 0, 0],
  ])('%s takes %i, %i of them for layers, %i held', (text, taps, layerChanges, holds) => {
    expect(tapsFor(text, small)).toMatchObject({ taps, layerChanges, holds });
  });

  it('begin where the field begins', () => {
    expect(tapsFor('Ab', small, 'capitals')?.taps).toBe(2);
  });

  it('are null for what is on no key', () => {
    expect(tapsFor('aç', small)).toBeNull();
    expect(missingFrom('aççb€', charactersOf(small))).toEqual(['ç', '€']);
  });

  it('bring the text when they are carried out, and no walk of fewer taps does', () => {
    const text = fc.string({ unit: fc.constantFrom('a', 'b', 'A', 'B', '1', '2', ' '), maxLength: 5 });
    fc.assert(
      fc.property(text, (wanted) => {
        const taps = tapsFor(wanted, small);
        expect(taps?.keys.map((key) => (key.deed === 'layer' ? '' : key.text)).join('')).toBe(wanted);
        expect(taps?.taps).toBe(fewestByBreadth(wanted));
      }),
      { numRuns: 60 },
    );
  });
});

/** Fewest taps by trying every walk, wave by wave. */
function fewestByBreadth(wanted: string): number {
  let wave = [{ layer: 'letters', at: 0 }];
  for (let taps = 0; taps < 30; taps++) {
    if (wave.some(({ at }) => at === wanted.length)) return taps;
    const next = new Map<string, { layer: string; at: number }>();
    for (const { layer, at } of wave)
      for (const key of small.layers.find(({ id }) => id === layer)?.rows.flat() ?? []) {
        const after =
          key.does === 'layer'
            ? { layer: key.to, at }
            : key.does === 'text' && key.text === wanted[at]
              ? { layer: layer === 'capitals' ? 'letters' : layer, at: at + 1 }
              : null;
        if (after) next.set(`${after.layer} ${after.at}`, after);
      }
    wave = [...next.values()];
  }
  return Number.NaN;
}
