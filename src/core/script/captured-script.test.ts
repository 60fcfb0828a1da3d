import { describe, expect, it } from 'vitest';
import { type CapturedDeed, scriptFromDeeds } from './captured-script';
import { codeOf } from './key-code';
import { formatScript } from './script-text';

const key = (one: string, at: number, ...modifiers: ('Shift' | 'Control')[]): CapturedDeed => ({
  kind: 'key',
  key: one,
  modifiers,
  at,
});
const text = (inputType: string, data: string, at: number): CapturedDeed => ({
  kind: 'text',
  inputType,
  text: data,
  at,
});
const written = (...deeds: CapturedDeed[]) => formatScript(scriptFromDeeds(deeds));

describe('what a person did', () => {
  it('becomes keys, with the pauses that are longer than typing', () => {
    expect(
      written(key('Shift', 0, 'Shift'), key('A', 20, 'Shift'), key('b', 300), key('Backspace', 1310)),
    ).toBe('type "Ab"\npause 1000ms\nkey Backspace');
  });
  it('becomes the deed of a shortcut, not its keys', () => {
    expect(
      written(
        key('Control', 0, 'Control'),
        key('v', 10, 'Control'),
        text('insertFromPaste', '1\n2', 11),
        key('a', 20, 'Control'),
        key('x', 30, 'Control'),
        text('deleteByCut', '', 31),
        key('z', 40, 'Control'),
        text('historyUndo', '', 41),
        key('c', 50, 'Control'),
      ),
    ).toBe('paste "1\\n2"\nselect all\ncut\nundo\ncopy');
  });
  it('becomes selections, compositions, and texts that no key brought', () => {
    expect(
      written(
        { kind: 'selection', start: 1, end: 3, at: 0 },
        key('ArrowLeft', 5, 'Shift'),
        { kind: 'composed', texts: ['に', '日'], at: 10 },
        text('insertText', 'high water', 20),
        text('insertFromDrop', 'x', 30),
        text('insertReplacementText', 'y', 40),
        text('deleteContentBackward', '', 50),
        key('F5', 60),
      ),
    ).toBe(
      'select 1 3\nkey Shift+ArrowLeft\ncompose "に" "日"\ndictate "high water"\ndrop "x"\nautofill "y"',
    );
  });
  it('ends where a script may be no longer', () => {
    expect(scriptFromDeeds(Array.from({ length: 900 }, (_, at) => key('a', at)))).toHaveLength(500);
  });
});

describe('the place of a key', () => {
  it.each([
    ['a', 'KeyA'],
    ['Z', 'KeyZ'],
    ['7', 'Digit7'],
    ['@', 'Digit2'],
    ['?', 'Slash'],
    [' ', 'Space'],
    ['Shift', 'ShiftLeft'],
    ['ArrowUp', 'ArrowUp'],
    ['é', ''],
    ['😀', ''],
  ])('of %j is %j', (one, code) => {
    expect(codeOf(one)).toBe(code);
  });
});
