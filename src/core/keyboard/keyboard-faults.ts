import { type Keyboard, layerNamed, leadsTo, reachableLayers } from './keyboard';

/** What a person could not get at on a keyboard, or not get out of. Layers by their ids. */
export type KeyboardFault =
  | { readonly code: 'two layers'; readonly layer: string }
  | { readonly code: 'leads nowhere'; readonly layer: string; readonly to: string }
  | { readonly code: 'not reached'; readonly layer: string }
  | { readonly code: 'no way back'; readonly layer: string; readonly first: string }
  | { readonly code: 'no characters' };

/** Holes and loops between layers. */
export function keyboardFaults(keyboard: Keyboard): KeyboardFault[] {
  const faults: KeyboardFault[] = [];
  const ids = keyboard.layers.map(({ id }) => id);
  const first = keyboard.layers[0].id;
  const twice = ids.find((id, index) => ids.indexOf(id) !== index);
  if (twice !== undefined) faults.push({ code: 'two layers', layer: twice });
  for (const layer of keyboard.layers)
    for (const to of leadsTo(layer))
      if (!layerNamed(keyboard, to)) faults.push({ code: 'leads nowhere', layer: layer.id, to });
  const reached = reachableLayers(keyboard);
  for (const layer of keyboard.layers)
    if (!reached.includes(layer)) faults.push({ code: 'not reached', layer: layer.id });
  for (const { id } of reached)
    if (!comesBack(keyboard, id)) faults.push({ code: 'no way back', layer: id, first });
  if (!reached.some(({ rows }) => rows.flat().some(({ does }) => does === 'text')))
    faults.push({ code: 'no characters' });
  return faults;
}

function comesBack(keyboard: Keyboard, from: string): boolean {
  const met = [from];
  for (const id of met) {
    if (id === keyboard.layers[0].id) return true;
    const layer = layerNamed(keyboard, id);
    for (const next of layer ? leadsTo(layer) : []) if (!met.includes(next)) met.push(next);
  }
  return false;
}
