import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyStroke } from '../../../tests/fixtures/strokes';
import { scriptFaultText } from '../words/script-fault-words';
import { bufferOf, deleteTo, type EditingBuffer, insertText, moveCaret } from './editing-buffer';
import { graphemes } from './graphemes';
import { scriptSchema } from './script-schema';
import { formatScript, readScript, statementWords } from './script-text';
import { namedKeys } from './stroke';

const keys = (text: string) => {
  const reading = readScript(text);
  return reading.status === 'read'
    ? reading.script.map((stroke) => (stroke.kind === 'key' ? stroke.key : stroke.kind))
    : reading;
};

describe('script text', () => {
  it('reads typed text by grapheme and named keys with repeats', () => {
    expect(keys('# a comment\n  type "-1é👍🏽"\n\nkey Backspace x2\nkey Tab')).toEqual([
      '-',
      '1',
      'é',
      '👍🏽',
      'Backspace',
      'Backspace',
      'Tab',
    ]);
  });
  it.each([
    ['press a', 1, 1, `“press” is not a statement. Write one of ${statementWords.join(', ')}.`],
    ['type "a"\n  type b', 2, 8, 'Write the text between double quotes, as in type "1.2".'],
    ['type "a" "b"', 1, 10, 'Write the text between double quotes, as in type "1.2".'],
    [
      'type "a',
      1,
      6,
      'Write a text between double quotes, as in type "1.2"; write \\" for a quote inside it.',
    ],
    ['key Hyper', 1, 5, `Write a character, Space, Plus, Quote, Hash or one of ${namedKeys.join(', ')}.`],
    ['type "a\\nb"', 1, 6, 'A typed text has no control characters. Remove them, or paste the text.'],
    ['key Tab twice', 1, 9, 'Write how often after the key: x and a number up to 999, as in x2.'],
    ['key Hyper+a', 1, 5, `Write a character, Space, Plus, Quote, Hash or one of ${namedKeys.join(', ')}.`],
    ['select 3 1', 1, 10, 'Write where the selection starts and ends, as in select 0 3, or select all.'],
    ['caret end', 1, 7, 'Write the position of the caret, as in caret 0.'],
    ['pause 2s', 1, 7, 'Write a duration up to 10000 ms, as in pause 200ms.'],
    ['focus wildly', 1, 7, 'Write how the field gets the focus: focus script, focus click or focus tab.'],
    ['leave now', 1, 7, 'The statement ends before this. Remove the rest of the line.'],
    ['paste', 1, 6, 'Write the text between double quotes, as in paste "3,5 m".'],
    ['dead "´" "e"', 1, 13, 'Write 3 texts between double quotes, as in dead "´" "e" "é".'],
  ])('%j: says line, column and what was expected', (text, line, column, expected) => {
    const reading = readScript(text);
    expect(reading).toMatchObject({ status: 'fault', line, column });
    expect(reading.status === 'fault' && scriptFaultText(reading.fault)).toBe(expected);
  });
  it('reads every statement', () => {
    const script = [
      'focus click # where the caret goes',
      'key Control+Shift+ArrowLeft',
      'key Plus',
      'hold Backspace x5',
      'down Shift',
      'up Shift',
      'caret 3',
      'select 2 5',
      'select all',
      'undo',
      'paste "a\\nb \\ud83d"',
      'dictate "high water"',
      'dead "´" "e" "é"',
      'compose "に" "にほ" "日本"',
      'soft "ok"',
      'set ""',
      'pause 200ms',
      'leave',
      'submit',
    ].join('\n');
    const reading = readScript(script);
    expect(reading.status === 'read' && reading.script.map(({ kind }) => kind)).toEqual([
      'focus',
      'key',
      'key',
      'held',
      'down',
      'up',
      'selection',
      'selection',
      'command',
      'command',
      'text',
      'text',
      'dead key',
      'composition',
      'text',
      'text',
      'text',
      'pause',
      'leave',
      'submit',
    ]);
    expect(reading.status === 'read' && reading.script[1]).toEqual({
      kind: 'key',
      key: 'ArrowLeft',
      modifiers: ['Control', 'Shift'],
    });
  });
  it('is not longer than a script may be', () => {
    expect(readScript(`type "${'x'.repeat(501)}"`).status).toBe('fault');
    expect(readScript('key Tab x999').status).toBe('fault');
  });
  it('writes what it reads back as the same strokes', () => {
    fc.assert(
      fc.property(fc.array(anyStroke, { maxLength: 30 }), (script) => {
        expect(scriptSchema.isValidSync(script)).toBe(true);
        expect(readScript(formatScript(script))).toEqual({ status: 'read', script });
      }),
      { numRuns: 500 },
    );
  });
});

const deleteBackward = (buffer: EditingBuffer) => deleteTo(buffer, 'previous grapheme');
const deleteForward = (buffer: EditingBuffer) => deleteTo(buffer, 'next grapheme');

describe('editing buffer', () => {
  it('replaces the selection and leaves the caret behind it', () => {
    expect(insertText({ text: 'abc', start: 1, end: 2 }, 'XY')).toEqual({ text: 'aXYc', start: 3, end: 3 });
  });
  it('erases whole graphemes in both directions, or the selection', () => {
    expect(deleteBackward(bufferOf('a👍🏽')).text).toBe('a');
    expect(deleteForward({ text: '🇫🇮x', start: 0, end: 0 }).text).toBe('x');
    expect(deleteBackward({ text: 'abc', start: 0, end: 2 })).toEqual({ text: 'c', start: 0, end: 0 });
    expect(deleteBackward({ text: 'abc', start: 0, end: 0 }).text).toBe('abc');
  });
  it('moves by graphemes, collapses a selection to its side, and stops at the ends', () => {
    expect(moveCaret({ text: 'a😀b', start: 3, end: 3 }, 'previous grapheme').start).toBe(1);
    expect(moveCaret({ text: 'abc', start: 0, end: 2 }, 'previous grapheme').start).toBe(0);
    expect(moveCaret({ text: 'abc', start: 0, end: 2 }, 'next grapheme').start).toBe(2);
    expect(moveCaret(bufferOf('abc'), 'next grapheme').start).toBe(3);
    expect([
      moveCaret(bufferOf('abc'), 'line start').start,
      moveCaret({ text: 'abc', start: 0, end: 0 }, 'line end').start,
    ]).toEqual([0, 3]);
  });
  it('typing and erasing again gives the old text back', () => {
    const place = fc.tuple(
      fc.string({ unit: 'grapheme-ascii' }),
      fc.nat(),
      fc.string({ unit: 'grapheme-ascii', minLength: 1, maxLength: 5 }),
    );
    fc.assert(
      fc.property(place, ([text, at, typed]) => {
        const start = at % (text.length + 1);
        const before = { text, start, end: start };
        const after = graphemes(typed).reduce(deleteBackward, insertText(before, typed));
        expect(after).toEqual(before);
      }),
    );
  });
});
