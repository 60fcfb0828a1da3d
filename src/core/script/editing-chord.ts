import type { EditingCommand, ModifierKey } from './stroke';

/** Keys that are pressed together: the modifiers go down first and up last. */
export type Chord = readonly [modifiers: readonly ModifierKey[], key: string];

/** The keys of each editing command on Linux and Windows. */
export const editingChords: Readonly<Record<EditingCommand, Chord>> = {
  'select all': [['Control'], 'a'],
  cut: [['Control'], 'x'],
  copy: [['Control'], 'c'],
  undo: [['Control'], 'z'],
  redo: [['Control', 'Shift'], 'z'],
};

export const pasteChord: Chord = [['Control'], 'v'];
