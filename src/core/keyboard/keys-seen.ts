import { charactersOf, type Key, type Keyboard, type Layer } from './keyboard';
import type { KeyboardSort } from './keyboards';
import type { Known } from './known';

/** Characters that somebody saw, or did not find, on a keyboard of a sort in a language. */
export interface KeysSeen {
  readonly sort: KeyboardSort;
  /** BCP 47. */
  readonly language: string;
  readonly has: readonly string[];
  readonly lacks: readonly string[];
  readonly known: Known;
}

/**
 * The keyboard as it was seen: nothing stands where a character was not found, and those that were seen besides stand in
 * a row of their own on the first layer, for nobody said where they are.
 */
export function withKeysSeen(keyboard: Keyboard, { has, lacks, known }: KeysSeen): Keyboard {
  const { written } = keyboard;
  const there = charactersOf(keyboard);
  const more = has.filter((character) => !there.has(character));
  if (more.length === 0 && !lacks.some((character) => there.has(character))) return keyboard;
  const [first, ...others] = keyboard.layers.map((layer) => withoutKeys(layer, lacks));
  if (!first) return keyboard;
  const row = more.map((text): Key => ({ does: 'text', text }));
  const rows = row.length > 0 ? [row, ...first.rows] : first.rows;
  return {
    ...keyboard,
    layers: [{ ...first, rows }, ...others],
    written: written && { ...written, characters: without(written.characters, lacks) },
    known,
  };
}

function without(characters: ReadonlySet<string>, lacks: readonly string[]): ReadonlySet<string> {
  return new Set([...characters].filter((character) => !lacks.includes(character)));
}

function withoutKeys(layer: Layer, lacks: readonly string[]): Layer {
  const kept = (key: Key): Key => {
    if (key.does !== 'text') return key;
    const { held, ...rest } = key;
    const width = key.width === undefined ? {} : { width: key.width };
    if (lacks.includes(key.text)) return { does: 'gap', ...width };
    const left = held?.filter((text) => !lacks.includes(text)) ?? [];
    return left.length > 0 ? { ...rest, held: left } : rest;
  };
  return { ...layer, rows: layer.rows.map((row) => row.map(kept)) };
}
