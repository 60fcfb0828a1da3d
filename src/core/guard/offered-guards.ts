import type { Guard } from './guard';

/** A guard that a person can add, to be changed afterwards. */
export interface OfferedGuard {
  readonly name: string;
  make(id: string): Guard;
}

/** Keys that a filter on key presses should let pass; forgetting some of them is the classic mistake. */
export const editingKeys: readonly string[] = [
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
  'Shortcut',
];

const digits = { classes: ['ASCII digits'], own: '' } as const;

/** One of each kind, at the stage where it is used most. */
export const offeredGuards: readonly OfferedGuard[] = [
  {
    name: 'Only these characters',
    make: (id) => ({ kind: 'allow', id, on: true, stage: 'before insert', set: digits }),
  },
  {
    name: 'Not these characters',
    make: (id) => ({
      kind: 'deny',
      id,
      on: true,
      stage: 'after input',
      set: { classes: ['spaces'], own: '' },
    }),
  },
  {
    name: 'Only these keys',
    make: (id) => ({ kind: 'allow', id, on: true, stage: 'key', set: digits, keys: editingKeys }),
  },
  {
    name: 'Length',
    make: (id) => ({ kind: 'length', id, on: true, stage: 'after input', most: 10, unit: 'graphemes' }),
  },
  {
    name: 'Digits and decimals',
    make: (id) => ({ kind: 'decimals', id, on: true, stage: 'before insert', most: 2 }),
  },
  {
    name: 'Number between limits',
    make: (id) => ({ kind: 'range', id, on: true, stage: 'before insert', min: 0, max: 100 }),
  },
  {
    name: 'Pattern',
    make: (id) => ({
      kind: 'pattern',
      id,
      on: true,
      stage: 'on submission',
      source: '[A-Z]{3}',
      match: 'whole',
    }),
  },
  {
    name: 'List of words',
    make: (id) => ({
      kind: 'words',
      id,
      on: true,
      stage: 'on submission',
      words: ['north', 'south'],
      sense: 'one of',
    }),
  },
  {
    name: 'A date that exists',
    make: (id) => ({ kind: 'date', id, on: true, stage: 'on submission', format: 'dd.mm.yyyy' }),
  },
  {
    name: 'Check digit',
    make: (id) => ({ kind: 'check digit', id, on: true, stage: 'on submission', method: 'mod 10' }),
  },
  {
    name: 'Upper or lower case',
    make: (id) => ({ kind: 'case', id, on: true, stage: 'after input', to: 'upper' }),
  },
  {
    name: 'Mask with separators',
    make: (id) => ({ kind: 'mask', id, on: true, stage: 'after input', mask: 'XXX-0000-AA' }),
  },
];
