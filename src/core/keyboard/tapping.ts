import type { TypingStep } from '../questions/typing/facts';
import type { Script, Stroke } from '../script/stroke';
import type { ActionDeed, ActionKey } from './action-key';
import type { ComesUp } from './comes-up';
import type { InputTraits } from './input-traits';
import { insertedFor, wantsCapitals } from './inserted-text';
import { type Key, layerNamed } from './keyboard';
import type { KeyboardHabits } from './keyboard-habits';

/** What a person did on one keyboard so far. */
export interface Tapped {
  readonly strokes: Script;
  /** The layer that was chosen; null: the one that is up by itself. */
  readonly layer: string | null;
  /** What the key did that was tapped last, where it was one that enters nothing. */
  readonly did: ActionDeed | 'put away' | null;
}

export const untapped: Tapped = { strokes: [], layer: null, did: null };

/** What stands in a field, and where its caret is. */
export type TextWithCaret = Pick<TypingStep, 'text' | 'caret'>;

const touch: Stroke = { kind: 'focus', by: 'click' };

/** Everything that was done, from the tap on the field that gave it the focus: its caret is behind what it holds already. */
export function scriptOf({ strokes }: Tapped): Script {
  return [touch, ...strokes];
}

/** The keyboard and field on which is tapped. */
export interface TappingPlace {
  readonly up: ComesUp;
  readonly habits: KeyboardHabits;
  readonly entry: InputTraits;
  readonly action: ActionKey | null;
  /** The text before the caret, as far as it is known. */
  readonly before: string;
}

/** The layer that is up: the one that was chosen, or else capitals where the field wants them. */
export function layerUp({ layer }: Tapped, { up, habits, entry, before }: TappingPlace): string {
  if (layer !== null) return layer;
  const { keyboard } = up;
  const first = keyboard?.layers[0].id ?? '';
  const hasCapitals = keyboard?.layers.some(({ id }) => id === 'capitals') ?? false;
  const wants = habits.text.capitalizes && wantsCapitals(before, entry.autocapitalize);
  return hasCapitals && first === 'letters' && wants ? 'capitals' : first;
}

/** What has been done after one more tap. @param held the character that was chosen by holding the key */
export function tap(now: Tapped, key: Key, held: string | null, at: TappingPlace): Tapped {
  switch (key.does) {
    case 'layer':
      // Back from the numbers, letters are large or small by themselves; from the capitals a person asked for small ones.
      return { ...now, layer: key.to === 'letters' && layerUp(now, at) !== 'capitals' ? null : key.to };
    case 'erase':
      return { ...now, strokes: [...now.strokes, { kind: 'key', key: 'Backspace' }], did: null };
    case 'away':
      return { ...now, did: 'put away' };
    case 'gap':
      return now;
    case 'action':
      return acted(now, at.action?.deed ?? { does: 'sends' });
    case 'text': {
      const { replaces, text } = insertedFor(held ?? key.text, at.before, at.habits.text, isPlain(at.entry));
      const erased = Array.from(replaces, (): Stroke => ({ kind: 'key', key: 'Backspace' }));
      return {
        strokes: [...now.strokes, ...erased, strokeOf(text)],
        layer: layerAfter(now, at),
        did: null,
      };
    }
  }
}

/** One character is a key; a key that brings several brings them at once. */
function strokeOf(text: string): Stroke {
  return Array.from(text).length > 1
    ? { kind: 'text', route: 'soft keys', text }
    : { kind: 'key', key: text };
}

/** A layer that was chosen stays, unless it goes back by itself; letters choose between small and large by themselves. */
function layerAfter(now: Tapped, at: TappingPlace): string | null {
  const { keyboard } = at.up;
  const returnsTo = keyboard && layerNamed(keyboard, layerUp(now, at))?.returnsTo;
  const next = returnsTo ?? now.layer;
  return next === 'letters' ? null : next;
}

function acted(now: Tapped, deed: ActionDeed): Tapped {
  switch (deed.does) {
    case 'goes to':
      return { ...now, strokes: [...now.strokes, { kind: 'leave' }], did: deed };
    case 'sends':
    case 'puts a newline':
    case 'nothing':
      return { ...now, strokes: [...now.strokes, { kind: 'key', key: 'Enter' }], did: deed };
    case 'puts the keyboard away':
      return { ...now, did: deed };
  }
}

/** Nothing is put right in addresses, secrets, numbers, and where a pad was asked for. */
function isPlain({ kind, inputmode }: InputTraits): boolean {
  const isText = kind === 'text' || kind === 'search' || kind === 'textarea';
  return !isText || (inputmode !== null && inputmode !== 'text' && inputmode !== 'search');
}
