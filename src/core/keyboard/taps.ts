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

/** What was tapped so far, the last key first: ways share what they have in common. */
interface Way {
  readonly cost: number;
  readonly last: TappedKey | null;
  readonly before: Way | null;
}

/**
 * The shortest way to type a text: a walk through the layers, character by character.
 * @param from the layer that is up at first
 * @returns null when a character is on no layer; `missingFrom` tells which
 */
export function tapsFor(text: string, keyboard: Keyboard, from = keyboard.layers[0].id): Taps | null {
  const { routes, places } = pathsOf(keyboard);
  let ways: ReadonlyMap<string, Way> = new Map([[from, { cost: 0, last: null, before: null }]]);
  for (const character of graphemes(text)) {
    const next = new Map<string, Way>();
    for (const [layer, way] of ways)
      for (const place of places.get(character) ?? []) {
        const route = routes.get(layer)?.get(place.key.layer);
        if (route) keepShorter(next, place.after, tapped(route.reduce(tapped, way), place.key));
      }
    if (next.size === 0) return null;
    ways = next;
  }
  const keys = keysOf([...ways.values()].reduce((a, b) => (b.cost < a.cost ? b : a)));
  return {
    taps: keys.length,
    layerChanges: keys.filter(({ deed }) => deed === 'layer').length,
    holds: keys.filter(({ deed }) => deed === 'hold').length,
    keys,
  };
}

function tapped(way: Way, key: TappedKey): Way {
  return { cost: way.cost + 1 + (key.deed === 'hold' ? holdCost : 0), last: key, before: way };
}

function keysOf(way: Way): TappedKey[] {
  const keys: TappedKey[] = [];
  for (let at: Way | null = way; at?.last; at = at.before) keys.push(at.last);
  return keys.reverse();
}

function keepShorter(ways: Map<string, Way>, layer: string, way: Way): void {
  const known = ways.get(layer);
  if (!known || way.cost < known.cost) ways.set(layer, way);
}

/** Where a character is typed, and the layer that is up afterwards. */
interface Place {
  readonly key: TappedKey;
  readonly after: string;
}

/** What a walk needs of a keyboard: the layer keys from each layer to each other, and the places of each character. */
interface Paths {
  readonly routes: ReadonlyMap<string, ReadonlyMap<string, readonly TappedKey[]>>;
  readonly places: ReadonlyMap<string, readonly Place[]>;
}

const paths = new WeakMap<Keyboard, Paths>();

/** Worked out once for each keyboard: many texts are typed on few of them. */
function pathsOf(keyboard: Keyboard): Paths {
  const known = paths.get(keyboard);
  if (known) return known;
  const found: Paths = {
    routes: new Map(keyboard.layers.map(({ id }) => [id, routesFrom(id, keyboard)])),
    places: placesOn(keyboard),
  };
  paths.set(keyboard, found);
  return found;
}

/** The fewest layer keys that lead from a layer to each that can be reached: those met first are nearest. */
function routesFrom(from: string, keyboard: Keyboard): Map<string, readonly TappedKey[]> {
  const routes = new Map<string, readonly TappedKey[]>([[from, []]]);
  // What is added on the way is walked as well.
  for (const [layer, route] of routes)
    for (const key of layerNamed(keyboard, layer)?.rows.flat() ?? [])
      if (key.does === 'layer' && !routes.has(key.to) && layerNamed(keyboard, key.to))
        routes.set(key.to, [...route, { deed: 'layer', to: key.to, layer }]);
  return routes;
}

function placesOn({ layers }: Keyboard): Map<string, Place[]> {
  const places = new Map<string, Place[]>();
  const add = (text: string, place: Place) => places.set(text, [...(places.get(text) ?? []), place]);
  for (const { id, rows, returnsTo } of layers)
    for (const key of rows.flat()) {
      if (key.does !== 'text') continue;
      const after = returnsTo ?? id;
      add(key.text, { key: { deed: 'text', text: key.text, layer: id }, after });
      for (const text of key.held ?? []) add(text, { key: { deed: 'hold', text, layer: id }, after });
    }
  return places;
}

/** Characters of a text that no key brings, each once. */
export function missingFrom(text: string, characters: ReadonlySet<string>): string[] {
  return [...new Set(graphemes(text))].filter((character) => !characters.has(character));
}
