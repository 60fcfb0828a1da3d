import { describe, expect, it } from 'vitest';
import { isModifierKey, isNamedKey, isShortcut, type Stroke, textOfStroke } from './stroke';

describe('a stroke', () => {
  it.each<[Stroke, string | null]>([
    [{ kind: 'key', key: 'a' }, 'a'],
    [{ kind: 'key', key: 'A', modifiers: ['Shift'] }, 'A'],
    [{ kind: 'key', key: 'a', modifiers: ['Shift', 'Control'] }, null],
    [{ kind: 'key', key: 'a', modifiers: ['Alt'] }, null],
    [{ kind: 'key', key: 'a', modifiers: ['Meta'] }, null],
    [{ kind: 'key', key: 'Tab' }, null],
    [{ kind: 'held', key: '1', repeats: 3 }, '1'],
    [{ kind: 'held', key: 'Delete', repeats: 3 }, null],
    [{ kind: 'down', key: 'x' }, 'x'],
    [{ kind: 'down', key: 'Shift' }, null],
    [{ kind: 'up', key: 'x' }, null],
    [{ kind: 'text', route: 'paste', text: 'a\nb' }, 'a\nb'],
    [{ kind: 'dead key', dead: '´', key: 'e', text: 'é' }, 'é'],
    [{ kind: 'composition', texts: ['に', '日'] }, '日'],
    [{ kind: 'composition', texts: [] }, null],
    [{ kind: 'command', command: 'undo' }, null],
    [{ kind: 'selection', start: 0, end: 1 }, null],
    [{ kind: 'leave' }, null],
  ])('%j brings %j', (stroke, text) => {
    expect(textOfStroke(stroke)).toBe(text);
  });

  it('is a shortcut with any modifier but Shift', () => {
    expect([
      isShortcut({}),
      isShortcut({ modifiers: ['Shift'] }),
      isShortcut({ modifiers: ['Meta'] }),
    ]).toEqual([false, false, true]);
  });

  it('has a named key, a modifier, or a character', () => {
    expect(['Tab', 'Shift', 'a', 'shift'].map((key) => [isNamedKey(key), isModifierKey(key)])).toEqual([
      [true, false],
      [true, true],
      [false, false],
      [false, false],
    ]);
  });
});
