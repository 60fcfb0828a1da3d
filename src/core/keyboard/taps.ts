import { graphemes } from '../script/graphemes';
import { type Keyboard, layerNamed } from './keyboard';

/** What it takes to type a text on a keyboard. */
export interface Taps {
  /** Keys tapped in all, those that change the layer with them. */
  readonly taps: number;
  readonly layerChanges: number;
  /** Of the taps, those that have to be held until more characters come up. */
  readonly holds: number;
  /** What is done, in order; a layer's label stands for its key. */
  readonly keys: readonly TappedKey[];
}

export type TappedKey =
  | { readonly deed: 'text'; readonly text: string; readonly layer: string }
  | { readonly deed: 'hold'; readonly text: string; readonly layer: string }
  | { readonly deed: 'layer'; readonly to: string; readonly layer: string };

/** Holding a key takes about as long as two taps; it only counts in the choice between two ways. */
const holdCost = 1;

interface Way {
  readonly cost: number;
  readonly keys: readonly TappedKey[];
}

/**
 * The shortest way to type a text: a walk through the layers, character by character.
 * @param from the layer that is up at first
 * @returns null when a character is on no layer; `missingFrom` tells which
 */
export function tapsFor(text: string, keyboard: Keyboard, from = keyboard.layers[0].id): Taps | null {
  let ways = new Map<string, Way>([[from, { cost: 0, keys: [] }]]);
  for (const character of graphemes(text)) {
    const next = new Map<string, Way>();
    for (const [layer, way] of withLayerChanges(keyboard, ways))
      for (const [after, longer] of typed(keyboard, layer, way, character)) keepShorter(next, after, longer);
    if (next.size === 0) return null;
    ways = next;
  }
  const best = [...ways.values()].reduce((a, b) => (b.cost < a.cost ? b : a));
  return {
    taps: best.keys.length,
    layerChanges: best.keys.filter(({ deed }) => deed === 'layer').length,
    holds: best.keys.filter(({ deed }) => deed === 'hold').length,
    keys: best.keys,
  };
}

function keepShorter(ways: Map<string, Way>, layer: string, way: Way): void {
  const known = ways.get(layer);
  if (!known || way.cost < known.cost) ways.set(layer, way);
}

/** The same ways, and those that go on to other layers first. */
function withLayerChanges(keyboard: Keyboard, ways: ReadonlyMap<string, Way>): Map<string, Way> {
  const all = new Map(ways);
  // As many rounds as there are layers: no shortest way meets one twice.
  for (const _ of keyboard.layers)
    for (const [id, way] of [...all])
      for (const key of layerNamed(keyboard, id)?.rows.flat() ?? [])
        if (key.does === 'layer' && layerNamed(keyboard, key.to))
          keepShorter(all, key.to, {
            cost: way.cost + 1,
            keys: [...way.keys, { deed: 'layer', to: key.to, layer: id }],
          });
  return all;
}

/** What a character makes of a way that has come to a layer: the layer then, and the longer way. */
function typed(keyboard: Keyboard, id: string, way: Way, character: string): [string, Way][] {
  const layer = layerNamed(keyboard, id);
  if (!layer) return [];
  return layer.rows.flat().flatMap((key): [string, Way][] => {
    if (key.does !== 'text') return [];
    const isHeld = key.text !== character;
    if (isHeld && !key.held?.includes(character)) return [];
    const tapped: TappedKey = { deed: isHeld ? 'hold' : 'text', text: character, layer: id };
    const cost = way.cost + 1 + (isHeld ? holdCost : 0);
    return [[layer.returnsTo ?? id, { cost, keys: [...way.keys, tapped] }]];
  });
}

/** Characters of a text that no key brings, each once. */
export function missingFrom(text: string, characters: ReadonlySet<string>): string[] {
  return [...new Set(graphemes(text))].filter((character) => !characters.has(character));
}
