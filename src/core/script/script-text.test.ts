import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyStroke } from '../../../tests/fixtures/strokes';
import { scriptFaultText } from '../words/script-fault-words';
import type { ScriptFault } from './script-fault';
import { scriptSchema } from './script-schema';
import { formatScript, lineOf, readScript, statementWords } from './script-text';
import { namedKeys, type Script, type Stroke } from './stroke';

const soft = (text: string): Stroke => ({ kind: 'text', route: 'soft keys', text });
const quote: Stroke = { kind: 'key', key: '"' };
const undo: Stroke = { kind: 'command', command: 'undo' };

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
  it.each<[string, Script]>([
    ['type "a" # why', [{ kind: 'key', key: 'a' }]],
    ['type "#" #', [{ kind: 'key', key: '#' }]],
    ['type "a" ', [{ kind: 'key', key: 'a' }]],
    ['soft "ok"', [soft('o'), soft('k')]],
    ['key Space', [{ kind: 'key', key: ' ' }]],
    ['key +', [{ kind: 'key', key: '+' }]],
    ['key Quote x2', [quote, quote]],
    ['key Control+Hash', [{ kind: 'key', key: '#', modifiers: ['Control'] }]],
    ['key Alt+Meta+é', [{ kind: 'key', key: 'é', modifiers: ['Alt', 'Meta'] }]],
    ['hold a', [{ kind: 'held', key: 'a', repeats: 1 }]],
    ['hold ArrowUp x999', [{ kind: 'held', key: 'ArrowUp', repeats: 999 }]],
    ['down Shift', [{ kind: 'down', key: 'Shift' }]],
    ['up Plus', [{ kind: 'up', key: '+' }]],
    ['caret 3', [{ kind: 'selection', start: 3, end: 3 }]],
    ['select 2 5', [{ kind: 'selection', start: 2, end: 5 }]],
    ['select 2 2', [{ kind: 'selection', start: 2, end: 2 }]],
    ['select all', [{ kind: 'command', command: 'select all' }]],
    ['cut', [{ kind: 'command', command: 'cut' }]],
    ['copy', [{ kind: 'command', command: 'copy' }]],
    ['undo', [{ kind: 'command', command: 'undo' }]],
    ['redo', [{ kind: 'command', command: 'redo' }]],
    ['paste "a\\nb"', [{ kind: 'text', route: 'paste', text: 'a\nb' }]],
    ['drop ""', [{ kind: 'text', route: 'drop', text: '' }]],
    ['autofill "x"', [{ kind: 'text', route: 'autofill', text: 'x' }]],
    ['dictate "x"', [{ kind: 'text', route: 'dictation', text: 'x' }]],
    ['set "x"', [{ kind: 'text', route: 'script', text: 'x' }]],
    ['dead "´" "e" "é"', [{ kind: 'dead key', dead: '´', key: 'e', text: 'é' }]],
    ['compose "に" "日"', [{ kind: 'composition', texts: ['に', '日'] }]],
    ['focus script', [{ kind: 'focus', by: 'script' }]],
    ['focus click', [{ kind: 'focus', by: 'click' }]],
    ['focus tab', [{ kind: 'focus', by: 'tab' }]],
    ['leave', [{ kind: 'leave' }]],
    ['submit', [{ kind: 'submit' }]],
    ['pause 10000ms', [{ kind: 'pause', ms: 10_000 }]],
    ['leave\r\n\rsubmit\n', [{ kind: 'leave' }, { kind: 'submit' }]],
  ])('%j', (text, script) => {
    expect(readScript(text)).toEqual({ status: 'read', script });
  });

  it.each<[string, number, ScriptFault['code']]>([
    ['"a"', 1, 'no statement'],
    ['"leave"', 1, 'no statement'],
    ['constructor', 1, 'no statement'],
    ['Type "a"', 1, 'no statement'],
    ['type "a"b', 6, 'no text'],
    ['type   "\\x"', 8, 'no text'],
    ['type "a" "', 10, 'no text'],
    ['type', 5, 'texts expected'],
    ['type  ', 5, 'texts expected'],
    ['set "a" b', 9, 'texts expected'],
    ['compose', 8, 'texts expected'],
    ['compose a "b"', 9, 'texts expected'],
    ['dead "´" "e" "é" "x"', 18, 'texts expected'],
    ['soft "a\\tb"', 6, 'control characters'],
    ['key', 4, 'no key'],
    ['key #', 6, 'no key'],
    ['key "a"', 5, 'no key'],
    ['key ab', 5, 'no key'],
    ['key a#b', 5, 'no key'],
    ['key \u0007', 5, 'no key'],
    ['key Control+', 5, 'no key'],
    ['key Control++', 5, 'no key'],
    ['key a+Control', 5, 'no key'],
    ['key Tab "x2"', 9, 'no count'],
    ['key Tab ax2', 9, 'no count'],
    ['key Tab x1000', 9, 'no count'],
    ['key Tab x2 x3', 12, 'no count'],
    ['hold', 5, 'no key'],
    ['hold Hyper', 6, 'no key'],
    ['hold a 3', 8, 'no count'],
    ['down', 5, 'no key'],
    ['down "a"', 6, 'no key'],
    ['down a b', 8, 'no key'],
    ['up ab', 4, 'no key'],
    ['caret', 6, 'no caret'],
    ['caret "1"', 7, 'no caret'],
    ['caret -1', 7, 'no caret'],
    ['caret 1x', 7, 'no caret'],
    ['caret 12345678', 7, 'no caret'],
    ['caret 1 2', 9, 'no caret'],
    ['select', 7, 'no selection'],
    ['select all 1', 8, 'no selection'],
    ['select 1', 9, 'no selection'],
    ['select 0', 9, 'no selection'],
    ['select 1 b', 10, 'no selection'],
    ['select 2 1', 10, 'no selection'],
    ['select 1 2 3', 12, 'no selection'],
    ['undo now', 6, 'nothing more expected'],
    ['submit x', 8, 'nothing more expected'],
    ['focus', 6, 'no way to focus'],
    ['focus click tab', 7, 'no way to focus'],
    ['pause', 6, 'no pause'],
    ['pause 10001ms', 7, 'no pause'],
    ['pause 123456ms', 7, 'no pause'],
    ['pause 5msx', 7, 'no pause'],
    ['pause x5ms', 7, 'no pause'],
    ['pause 5ms 5ms', 7, 'no pause'],
  ])('%j: a mistake in column %i, %s', (text, column, code) => {
    expect(readScript(text)).toMatchObject({ status: 'fault', line: 1, column, fault: { code } });
  });

  it.each<[Stroke, string]>([
    [{ kind: 'key', key: 'a' }, 'key a'],
    [{ kind: 'key', key: ' ', modifiers: ['Control', 'Shift'] }, 'key Control+Shift+Space'],
    [{ kind: 'held', key: '#', repeats: 3 }, 'hold Hash x3'],
    [{ kind: 'down', key: '"' }, 'down Quote'],
    [{ kind: 'selection', start: 3, end: 3 }, 'caret 3'],
    [{ kind: 'selection', start: 0, end: 3 }, 'select 0 3'],
    [{ kind: 'command', command: 'select all' }, 'select all'],
    [soft('ok'), 'soft "ok"'],
    [{ kind: 'text', route: 'script', text: '' }, 'set ""'],
    [{ kind: 'text', route: 'autofill', text: 'a\n' }, 'autofill "a\\n"'],
    [{ kind: 'pause', ms: 200 }, 'pause 200ms'],
  ])('%j is one statement', (stroke, line) => {
    expect(lineOf(stroke)).toBe(line);
  });

  it('tells of a mistake by its line, however lines end', () => {
    expect(readScript('leave\r\nleave\rsubmit\nbad')).toMatchObject({ line: 4, column: 1 });
  });

  it('is not longer than a script may be', () => {
    const faulty = { status: 'fault', column: 1, fault: { code: 'too many strokes', most: 500 } };
    expect(readScript(`type "${'x'.repeat(500)}"`).status).toBe('read');
    expect(readScript(`type "${'x'.repeat(501)}"`)).toEqual({ ...faulty, line: 1 });
    expect(readScript('key Tab x300\nkey Tab x201')).toEqual({ ...faulty, line: 2 });
  });
  it('is written in as few statements as say the same', () => {
    const key = (one: string): Stroke => ({ kind: 'key', key: one });
    expect(formatScript([key('a'), key('b'), key('Tab'), key('Tab'), key('Tab'), key('c')])).toBe(
      'type "ab"\nkey Tab x3\ntype "c"',
    );
    // Written as one text these would be one grapheme.
    expect(formatScript([key('e'), key('\u0301')])).toBe('type "e"\ntype "\u0301"');
    expect(formatScript([key('a'), soft('b'), soft('c')])).toBe('type "a"\nsoft "bc"');
    expect(formatScript([{ kind: 'key', key: 'a', modifiers: ['Alt'] }, key('a')])).toBe(
      'key Alt+a\ntype "a"',
    );
    expect(formatScript([undo, undo])).toBe('undo\nundo');
    expect(formatScript(Array.from({ length: 1000 }, () => key('Tab')))).toBe('key Tab x999\nkey Tab');
    expect(formatScript([])).toBe('');
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
