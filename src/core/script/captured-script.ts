import { graphemes } from './graphemes';
import {
  isModifierKey,
  isNamedKey,
  type ModifierKey,
  maxPause,
  maxStrokes,
  modifierKeys,
  type Script,
  type Stroke,
} from './stroke';

/** What a person did in a real field, with the time at which it happened, ms from any beginning. */
export type CapturedDeed =
  | {
      readonly kind: 'key';
      readonly key: string;
      readonly modifiers: readonly ModifierKey[];
      readonly at: number;
    }
  | { readonly kind: 'text'; readonly inputType: string; readonly text: string; readonly at: number }
  | { readonly kind: 'composed'; readonly texts: readonly string[]; readonly at: number }
  | { readonly kind: 'selection'; readonly start: number; readonly end: number; readonly at: number };

/** Shorter pauses are how anybody types, ms. */
const shortestPause = 700;

/**
 * What a person typed, as a script: keys by keys, texts that came in at once by their way, longer pauses between them.
 * Keys of a shortcut whose deed is told by itself (paste, cut, undo) are that deed.
 */
export function scriptFromDeeds(deeds: readonly CapturedDeed[]): Script {
  const script: Stroke[] = [];
  let last: number | null = null;
  for (const deed of deeds) {
    const strokes = strokesOf(deed);
    if (strokes.length === 0) continue;
    const pause = last === null ? 0 : Math.round((deed.at - last) / 50) * 50;
    if (pause >= shortestPause) script.push({ kind: 'pause', ms: Math.min(pause, maxPause) });
    last = deed.at;
    script.push(...strokes);
  }
  return script.slice(0, maxStrokes);
}

function strokesOf(deed: CapturedDeed): readonly Stroke[] {
  switch (deed.kind) {
    case 'key':
      return keyStroke(deed.key, deed.modifiers);
    case 'text':
      return textStroke(deed.inputType, deed.text);
    case 'composed':
      return deed.texts.length > 0 ? [{ kind: 'composition', texts: deed.texts }] : [];
    case 'selection':
      return [{ kind: 'selection', start: deed.start, end: deed.end }];
  }
}

const commandKeys = ['x', 'c', 'v', 'z', 'y', 'a'];

function keyStroke(key: string, modifiers: readonly ModifierKey[]): readonly Stroke[] {
  if (isModifierKey(key)) return [];
  const shortcut = modifiers.some((modifier) => modifier !== 'Shift');
  if (shortcut && commandKeys.includes(key.toLowerCase()))
    return key.toLowerCase() === 'a'
      ? [{ kind: 'command', command: 'select all' }]
      : key.toLowerCase() === 'c'
        ? [{ kind: 'command', command: 'copy' }]
        : [];
  if (!isNamedKey(key) && graphemes(key).length !== 1) return [];
  // Shift is in the character already.
  const held = isNamedKey(key) || shortcut ? modifierKeys.filter((one) => modifiers.includes(one)) : [];
  return [held.length > 0 ? { kind: 'key', key, modifiers: held } : { kind: 'key', key }];
}

function textStroke(inputType: string, text: string): readonly Stroke[] {
  switch (inputType) {
    case 'insertFromPaste':
      return [{ kind: 'text', route: 'paste', text }];
    case 'insertFromDrop':
      return [{ kind: 'text', route: 'drop', text }];
    case 'insertReplacementText':
      return [{ kind: 'text', route: 'autofill', text }];
    case 'deleteByCut':
      return [{ kind: 'command', command: 'cut' }];
    case 'historyUndo':
      return [{ kind: 'command', command: 'undo' }];
    case 'historyRedo':
      return [{ kind: 'command', command: 'redo' }];
    // A text that no key brought was dictated, or picked.
    case 'insertText':
      return text === '' ? [] : [{ kind: 'text', route: 'dictation', text }];
    default:
      return [];
  }
}
