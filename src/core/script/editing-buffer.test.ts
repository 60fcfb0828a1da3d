import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bufferOf,
  type CaretMove,
  caretAt,
  deleteTo,
  type EditingBuffer,
  extendSelection,
  insertText,
  isCaret,
  moveCaret,
  selectAll,
  selectedText,
} from './editing-buffer';
import { graphemes } from './graphemes';

const backward = (text: string, start: number, end: number): EditingBuffer => ({
  text,
  start,
  end,
  backward: true,
});

describe('an editing buffer', () => {
  it('replaces the selection and leaves the caret behind it', () => {
    expect(insertText({ text: 'abc', start: 1, end: 2 }, 'XY')).toEqual({ text: 'aXYc', start: 3, end: 3 });
  });

  it('knows what is selected', () => {
    const all = selectAll(caretAt('abc', 1));
    expect([all, isCaret(all), selectedText(all)]).toEqual([{ text: 'abc', start: 0, end: 3 }, false, 'abc']);
    expect([isCaret(bufferOf('abc')), selectedText({ text: 'abc', start: 1, end: 2 })]).toEqual([true, 'b']);
  });

  it('erases whole graphemes in both directions, or the selection', () => {
    expect(deleteTo(bufferOf('a👍🏽'), 'previous grapheme').text).toBe('a');
    expect(deleteTo(caretAt('🇫🇮x', 0), 'next grapheme')).toEqual(caretAt('x', 0));
    expect(deleteTo({ text: 'abc', start: 0, end: 2 }, 'previous grapheme')).toEqual(caretAt('c', 0));
    expect(deleteTo(caretAt('abc', 0), 'previous grapheme').text).toBe('abc');
    expect(deleteTo(bufferOf('high water'), 'previous word')).toEqual(caretAt('high ', 5));
    expect(deleteTo(caretAt('high water', 0), 'next word')).toEqual(caretAt(' water', 0));
  });

  it('typing and erasing again gives the old text back', () => {
    const place = fc.tuple(
      fc.string({ unit: 'grapheme-ascii' }),
      fc.nat(),
      fc.string({ unit: 'grapheme-ascii', minLength: 1, maxLength: 5 }),
    );
    fc.assert(
      fc.property(place, ([text, at, typed]) => {
        const before = caretAt(text, at % (text.length + 1));
        const erase = (buffer: EditingBuffer) => deleteTo(buffer, 'previous grapheme');
        expect(graphemes(typed).reduce(erase, insertText(before, typed))).toEqual(before);
      }),
    );
  });
});

describe('a caret', () => {
  const words = 'High water, 3.5 m';
  const lines = 'ab\ncdef\ng';
  it.each<[string, number, CaretMove, number]>([
    ['a😀b', 3, 'previous grapheme', 1],
    ['a😀b', 1, 'next grapheme', 3],
    ['abc', 0, 'previous grapheme', 0],
    ['abc', 3, 'next grapheme', 3],
    [words, 17, 'previous word', 16],
    [words, 16, 'previous word', 12],
    [words, 14, 'previous word', 12],
    [words, 12, 'previous word', 5],
    [words, 12, 'previous word or mark', 10],
    [words, 5, 'previous word', 0],
    ['  a', 2, 'previous word', 0],
    [words, 0, 'next word', 4],
    [words, 4, 'next word', 10],
    [words, 10, 'next word', 15],
    [words, 10, 'next word or mark', 11],
    [words, 11, 'next word or mark', 15],
    ['a  ', 1, 'next word', 3],
    ['a  ', 1, 'next word or mark', 3],
    [lines, 5, 'line start', 3],
    [lines, 3, 'line start', 3],
    [lines, 1, 'line start', 0],
    [lines, 3, 'line end', 7],
    [lines, 7, 'line end', 7],
    [lines, 8, 'line end', 9],
    [lines, 4, 'line up', 1],
    [lines, 6, 'line up', 2],
    [lines, 1, 'line up', 0],
    [lines, 8, 'line up', 3],
    [lines, 1, 'line down', 4],
    [lines, 2, 'line down', 5],
    [lines, 6, 'line down', 9],
    [lines, 8, 'line down', 9],
    [lines, 5, 'text start', 0],
    [lines, 5, 'text end', 9],
  ])('in %j at %i goes by %s to %i', (text, from, move, to) => {
    expect(moveCaret(caretAt(text, from), move)).toEqual(caretAt(text, to));
  });

  it('collapses a selection to its side by a grapheme, and leaves from the end that moves by all else', () => {
    const selected = { text: 'ab cd', start: 1, end: 4 };
    expect(moveCaret(selected, 'previous grapheme')).toEqual(caretAt('ab cd', 1));
    expect(moveCaret(selected, 'next grapheme')).toEqual(caretAt('ab cd', 4));
    expect(moveCaret(selected, 'next word')).toEqual(caretAt('ab cd', 5));
    expect(moveCaret(backward('ab cd', 1, 4), 'next word')).toEqual(caretAt('ab cd', 2));
  });
});

describe('a selection', () => {
  it('grows, shrinks and turns round at the end that stays', () => {
    expect(extendSelection(caretAt('abc', 1), 'next grapheme')).toEqual({ text: 'abc', start: 1, end: 2 });
    expect(extendSelection({ text: 'abc', start: 1, end: 2 }, 'previous grapheme')).toEqual(
      caretAt('abc', 1),
    );
    expect(extendSelection(caretAt('abc', 1), 'previous grapheme')).toEqual(backward('abc', 0, 1));
    expect(extendSelection(backward('abc', 0, 1), 'next grapheme')).toEqual(caretAt('abc', 1));
    expect(extendSelection(backward('abc', 0, 1), 'text end')).toEqual({ text: 'abc', start: 1, end: 3 });
    expect(extendSelection({ text: 'abc', start: 1, end: 3 }, 'text start')).toEqual(backward('abc', 0, 1));
  });
});
