import type { Guard } from '../guard/guard';
import type { KeyboardFacts } from '../questions/keyboard/facts';
import { graphemes } from '../script/graphemes';

/** A guard that listens to keys of which the page was told nothing when a finger tapped them. */
export interface UnheardKey {
  readonly guard: Guard;
  readonly key: string;
  /** The types of the events that the page heard of that key, in their order. */
  readonly heard: readonly string[];
}

/**
 * Whether what a finger really tapped told the page the key beforehand (UI Events, "Keyboard Event Types").
 * @param tapped the events of the keys that were tapped; null where there was no key
 * @returns the first guard at the stage of keys, with the first key that brought a character without a keydown of its name
 */
export function unheardKey(guards: readonly Guard[], tapped: KeyboardFacts['tapped']): UnheardKey | null {
  const guard = guards.find(({ on, stage }) => on && stage === 'key');
  const characters = [...new Set((tapped ?? []).flatMap(({ by }) => by ?? []))].filter(
    (by) => graphemes(by).length === 1,
  );
  const told = (key: string) => (tapped ?? []).filter(({ by }) => by === key);
  const key = characters.find(
    (one) => !told(one).some((event) => event.type === 'keydown' && event.key === one),
  );
  return guard && key !== undefined ? { guard, key, heard: told(key).map(({ type }) => type) } : null;
}
