import type { Guard, GuardKind } from './guard';

/** By its kind; only certain characters can be had on keys too. */
export type OfferedCode = GuardKind | 'allow keys';

/** A guard that a person can add, to be changed afterwards. */
export interface OfferedGuard {
  readonly code: OfferedCode;
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
    code: 'allow',
    make: (id) => ({ kind: 'allow', id, on: true, stage: 'before insert', set: digits }),
  },
  {
    code: 'deny',
    make: (id) => ({
      kind: 'deny',
      id,
      on: true,
      stage: 'after input',
      set: { classes: ['spaces'], own: '' },
    }),
  },
  {
    code: 'allow keys',
    make: (id) => ({ kind: 'allow', id, on: true, stage: 'key', set: digits, keys: editingKeys }),
  },
  {
    code: 'length',
    make: (id) => ({ kind: 'length', id, on: true, stage: 'after input', most: 10, unit: 'graphemes' }),
  },
  {
    code: 'decimals',
    make: (id) => ({ kind: 'decimals', id, on: true, stage: 'before insert', most: 2 }),
  },
  {
    code: 'range',
    make: (id) => ({ kind: 'range', id, on: true, stage: 'before insert', min: 0, max: 100 }),
  },
  {
    code: 'pattern',
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
    code: 'words',
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
    code: 'date',
    make: (id) => ({ kind: 'date', id, on: true, stage: 'on submission', format: 'dd.mm.yyyy' }),
  },
  {
    code: 'check digit',
    make: (id) => ({ kind: 'check digit', id, on: true, stage: 'on submission', method: 'mod 10' }),
  },
  {
    code: 'case',
    make: (id) => ({ kind: 'case', id, on: true, stage: 'after input', to: 'upper' }),
  },
  {
    code: 'mask',
    make: (id) => ({ kind: 'mask', id, on: true, stage: 'after input', mask: 'XXX-0000-AA' }),
  },
];
