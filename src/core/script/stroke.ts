/** Keys that stay down while others are pressed (UI Events KeyboardEvent key Values, "Modifier Keys"). */
export const modifierKeys = ['Shift', 'Control', 'Alt', 'Meta'] as const;
export type ModifierKey = (typeof modifierKeys)[number];

/** Keys without a character that a script may press (UI Events KeyboardEvent key Values). */
export const namedKeys = [
  'Backspace',
  'Delete',
  'Tab',
  'Enter',
  'Escape',
  'ArrowLeft',
  'ArrowRight',
  'ArrowUp',
  'ArrowDown',
  'Home',
  'End',
  'PageUp',
  'PageDown',
  ...modifierKeys,
] as const;
export type NamedKey = (typeof namedKeys)[number];

export function isNamedKey(key: string): key is NamedKey {
  return namedKeys.some((name) => name === key);
}

export function isModifierKey(key: string): key is ModifierKey {
  return modifierKeys.some((name) => name === key);
}

/** Ways by which a whole text comes in at once. */
export const textRoutes = ['paste', 'drop', 'autofill', 'dictation', 'soft keys', 'script'] as const;
export type TextRoute = (typeof textRoutes)[number];

export const editingCommands = ['select all', 'cut', 'copy', 'undo', 'redo'] as const;
export type EditingCommand = (typeof editingCommands)[number];

export const focusWays = ['script', 'click', 'tab'] as const;
export type FocusWay = (typeof focusWays)[number];

/** A key pressed and released, with modifiers that are pressed before it and released after it. */
export interface KeyStroke {
  readonly kind: 'key';
  /** One grapheme, or a named key such as `Backspace` (UI Events KeyboardEvent key Values). */
  readonly key: string;
  readonly modifiers?: readonly ModifierKey[];
}

/** One step of input as data. Offsets are UTF-16 code units, as in the DOM. */
export type Stroke =
  | KeyStroke
  /** Kept down until it has repeated so many times. */
  | { readonly kind: 'held'; readonly key: string; readonly repeats: number }
  | { readonly kind: 'down' | 'up'; readonly key: string }
  /** The caret, or a selection where `start` is below `end`, put with a pointer. */
  | { readonly kind: 'selection'; readonly start: number; readonly end: number }
  | { readonly kind: 'command'; readonly command: EditingCommand }
  | { readonly kind: 'text'; readonly route: TextRoute; readonly text: string }
  /** A dead key, the key after it, and what the two make. */
  | { readonly kind: 'dead key'; readonly dead: string; readonly key: string; readonly text: string }
  /** An input method shows one text after another and commits the last one. */
  | { readonly kind: 'composition'; readonly texts: readonly string[] }
  | { readonly kind: 'focus'; readonly by: FocusWay }
  | { readonly kind: 'leave' }
  | { readonly kind: 'submit' }
  | { readonly kind: 'pause'; readonly ms: number };

export type Script = readonly Stroke[];

/** Most strokes that one script may have. */
export const maxStrokes = 500;
/** Longest text of one stroke, UTF-16 code units. */
export const maxStrokeText = 1_100_000;
/** Longest pause, ms. */
export const maxPause = 10_000;

/** The text that a stroke brings, or null for one that brings none. */
export function textOfStroke(stroke: Stroke): string | null {
  switch (stroke.kind) {
    case 'key':
      return isNamedKey(stroke.key) || isShortcut(stroke) ? null : stroke.key;
    case 'held':
    case 'down':
      return isNamedKey(stroke.key) ? null : stroke.key;
    case 'text':
    case 'dead key':
      return stroke.text;
    case 'composition':
      return stroke.texts.at(-1) ?? null;
    default:
      return null;
  }
}

/** With Control, Alt or Meta down a key brings no text. */
export function isShortcut({ modifiers = [] }: Pick<KeyStroke, 'modifiers'>): boolean {
  return modifiers.some((modifier) => modifier !== 'Shift');
}
