import { describe, expect, it } from 'vitest';
import { type CapturedDeed, scriptFromDeeds } from './captured-script';
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
  it('pauses where typing rests for 700 ms or more, in steps of 50 and never too long', () => {
    const pauses = (...times: number[]) =>
      scriptFromDeeds(times.map((at) => key('a', at))).flatMap((one) => (one.kind === 'pause' ? one.ms : []));
    expect(pauses(5000, 5674)).toEqual([]);
    expect(pauses(0, 675, 1399)).toEqual([700, 700]);
    expect(pauses(0, 99_000)).toEqual([10_000]);
  });

  it('has no pause before what it leaves out', () => {
    expect(written(key('a', 0), text('deleteContentBackward', '', 400), key('F5', 500), key('b', 1000))).toBe(
      'type "a"\npause 1000ms\ntype "b"',
    );
  });

  it.each<[string, CapturedDeed, string]>([
    ['a key of many characters that has no name', key('Dead', 0), ''],
    ['a held modifier', key('Meta', 0), ''],
    ['a shortcut without a deed of its own', key('b', 0, 'Control'), 'key Control+b'],
    ['modifiers in one order', key('Home', 0, 'Control', 'Shift'), 'key Shift+Control+Home'],
    ['a letter of a shortcut, in capitals', key('A', 0, 'Control', 'Shift'), 'select all'],
    ['a letter of a shortcut that copies, in capitals', key('C', 0, 'Control'), 'copy'],
    ['a letter of a shortcut without its modifier', key('c', 0, 'Shift'), 'type "c"'],
    ['what was done again', text('historyRedo', '', 0), 'redo'],
    ['an empty text', text('insertText', '', 0), ''],
    ['a composition of nothing', { kind: 'composed', texts: [], at: 0 }, ''],
  ])('%s', (_, deed, expected) => {
    expect(written(deed)).toBe(expected);
    if (expected === '') expect(scriptFromDeeds([deed])).toEqual([]);
  });

  it('has modifiers only where some are held, and each text by its way', () => {
    expect(scriptFromDeeds([key('a', 0), text('insertFromPaste', 'x', 1)])).toEqual([
      { kind: 'key', key: 'a' },
      { kind: 'text', route: 'paste', text: 'x' },
    ]);
  });

  it.each(['v', 'y', 'z', 'x'])('knows the keys of shortcuts whose deed is told by itself: %s', (letter) => {
    expect(written(key(letter, 0, 'Control'))).toBe('');
  });

  it('ends where a script may be no longer', () => {
    expect(scriptFromDeeds(Array.from({ length: 900 }, (_, at) => key('a', at)))).toHaveLength(500);
  });
});
