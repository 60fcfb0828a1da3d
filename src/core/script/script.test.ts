import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bufferOf, deleteBackward, deleteForward, insertText, moveCaret } from './editing-buffer';
import { formatScript, readScript } from './script-text';
import { graphemes, namedKeys, type Script } from './stroke';

const keys = (text: string) => {
  const reading = readScript(text);
  return reading.status === 'read' ? reading.script.map((stroke) => stroke.key) : reading;
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
    ['press a', 1, 1, '“press” is not a statement; write type or key.'],
    ['type "a"\n  type b', 2, 8, 'After type, write the text between double quotes, as in type "1.2".'],
    ['key Hyper', 1, 5, `After key, write one of ${namedKeys.join(', ')}.`],
    ['type "a\\nb"', 1, 6, 'A typed text has no control characters; leave them out.'],
    ['key Tab twice', 1, 5, `After key, write one of ${namedKeys.join(', ')}.`],
  ])('%j: says line, column and what was expected', (text, line, column, expected) => {
    expect(readScript(text)).toEqual({ status: 'fault', line, column, text: expected });
  });
  it('is not longer than a script may be', () => {
    expect(readScript(`type "${'x'.repeat(501)}"`).status).toBe('fault');
    expect(readScript('key Tab x999').status).toBe('fault');
  });
  it('writes what it reads back as the same strokes', () => {
    const key = fc.oneof(
      fc.constantFrom(...namedKeys),
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: 2 }).map((text) => graphemes(text)[0] ?? 'x'),
      fc.constantFrom('"', '\\', ' ', '\u0301', '🇫', '🇮', '\u200d'),
    );
    fc.assert(
      fc.property(fc.array(key, { maxLength: 30 }), (list) => {
        const script: Script = list.map((one) => ({ kind: 'key', key: one }));
        expect(readScript(formatScript(script))).toEqual({ status: 'read', script });
      }),
      { numRuns: 500 },
    );
  });
});

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
    expect(moveCaret({ text: 'a😀b', start: 3, end: 3 }, 'ArrowLeft').start).toBe(1);
    expect(moveCaret({ text: 'abc', start: 0, end: 2 }, 'ArrowLeft').start).toBe(0);
    expect(moveCaret({ text: 'abc', start: 0, end: 2 }, 'ArrowRight').start).toBe(2);
    expect(moveCaret(bufferOf('abc'), 'ArrowRight').start).toBe(3);
    expect([
      moveCaret(bufferOf('abc'), 'Home').start,
      moveCaret({ text: 'abc', start: 0, end: 0 }, 'End').start,
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
