import { describe, expect, it } from 'vitest';
import { caretMoveOf } from './caret-keys';
import type { CaretMove } from './editing-buffer';
import type { ModifierKey } from './stroke';

const line = { lines: false, marks: false, pages: false };
const area = { ...line, lines: true };
const marked = { ...line, marks: true };
const paged = { ...line, pages: true };

describe('a key moves the caret', () => {
  it.each<[string, ModifierKey[], typeof line, CaretMove | null]>([
    ['ArrowLeft', [], line, 'previous grapheme'],
    ['ArrowLeft', ['Shift'], line, 'previous grapheme'],
    ['ArrowLeft', ['Control'], line, 'previous word'],
    ['ArrowLeft', ['Control'], marked, 'previous word or mark'],
    ['ArrowRight', [], line, 'next grapheme'],
    ['ArrowRight', ['Control', 'Shift'], line, 'next word'],
    ['ArrowRight', ['Control'], marked, 'next word or mark'],
    ['Home', [], line, 'text start'],
    ['Home', [], area, 'line start'],
    ['Home', ['Control'], area, 'text start'],
    ['End', [], line, 'text end'],
    ['End', [], area, 'line end'],
    ['End', ['Control'], area, 'text end'],
    ['ArrowUp', [], line, 'text start'],
    ['ArrowUp', [], area, 'line up'],
    ['ArrowDown', [], line, 'text end'],
    ['ArrowDown', [], area, 'line down'],
    ['PageUp', [], line, null],
    ['PageUp', [], paged, 'text start'],
    ['PageUp', [], { ...paged, lines: true }, null],
    ['PageDown', [], line, null],
    ['PageDown', [], paged, 'text end'],
    ['PageDown', [], { ...paged, lines: true }, null],
    ['ArrowLeft', ['Alt'], line, null],
    ['ArrowLeft', ['Meta'], line, null],
    ['ArrowLeft', ['Control', 'Alt'], line, null],
    ['Tab', [], area, null],
    ['a', ['Control'], area, null],
  ])('%s with %j in a field of %j: %s', (key, modifiers, keys, move) => {
    expect(caretMoveOf(key, modifiers, keys)).toBe(move);
  });
});
