import type { Known } from './known';
import type { Written } from './letters';

/**
 * An on-screen keyboard as data: which keys there are, in which layer and where. Widths are in key widths; how wide one
 * is drawn is for the screen to say.
 */
export interface Keyboard {
  /** In words: `letters, with @`. */
  readonly name: string;
  /** The layer that is up at first; the first of all where none is named. */
  readonly layers: readonly [Layer, ...Layer[]];
  /** Null where what stands on its keys is all. */
  readonly written: Written | null;
  readonly known: Known;
}

export interface Layer {
  readonly id: string;
  readonly rows: readonly (readonly Key[])[];
  /** The layer that is up after one character; not given: it stays. */
  readonly returnsTo?: string;
}

export type Key =
  /** Brings a text: one character, or several at once. `held` are those that come up when it is held. */
  | {
      readonly does: 'text';
      readonly text: string;
      readonly held?: readonly string[];
      readonly width?: number;
    }
  | { readonly does: 'layer'; readonly to: string; readonly label: string; readonly width?: number }
  /** Takes a character away; the action key; puts the keyboard away. */
  | { readonly does: 'erase' | 'action' | 'away'; readonly width?: number }
  /** Nothing stands here. */
  | { readonly does: 'gap'; readonly width?: number };

/** Every text that a keyboard can bring with one key, through all layers that can be reached, and what comes up by holding. */
export function charactersOf(keyboard: Keyboard): ReadonlySet<string> {
  const all = new Set<string>();
  for (const layer of reachableLayers(keyboard))
    for (const key of layer.rows.flat())
      if (key.does === 'text') for (const text of [key.text, ...(key.held ?? [])]) all.add(text);
  return all;
}

export function layerNamed({ layers }: Keyboard, id: string): Layer | undefined {
  return layers.find((layer) => layer.id === id);
}

/** The first layer and those to which keys lead from it, in the order in which they are met. */
export function reachableLayers(keyboard: Keyboard): readonly Layer[] {
  const found: Layer[] = [keyboard.layers[0]];
  for (const layer of found)
    for (const next of leadsTo(layer)) {
      const there = layerNamed(keyboard, next);
      if (there && !found.includes(there)) found.push(there);
    }
  return found;
}

/** Ids of the layers that can follow this one. */
export function leadsTo({ rows, returnsTo }: Layer): string[] {
  const keys = rows.flat().flatMap((key) => (key.does === 'layer' ? [key.to] : []));
  return returnsTo === undefined ? keys : [...keys, returnsTo];
}

export function hasActionKey(keyboard: Keyboard): boolean {
  return reachableLayers(keyboard).some(({ rows }) => rows.flat().some(({ does }) => does === 'action'));
}
