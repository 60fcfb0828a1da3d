import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { EditingBuffer } from '../../script/editing-buffer';
import { UndoHistory } from './undo-history';

const buffer = (text: string): EditingBuffer =>
  ({ text, start: text.length, end: text.length }) as EditingBuffer;

/** Texts one after another, each edit of this type; gives the history and the last text. */
function edited(texts: readonly string[], inputType: string | null) {
  const history = new UndoHistory();
  for (const before of texts.slice(0, -1)) history.add(buffer(before), inputType);
  return { history, now: buffer(texts.at(-1) ?? '') };
}

describe('undo', () => {
  it('takes back together what was typed in one go', () => {
    const { history, now } = edited(['', 'a', 'ab', 'abc'], 'insertText');
    expect(history.undo(now)?.text).toBe('');
    expect(history.undo(buffer(''))).toBeNull();
    expect(history.redo(buffer(''))?.text).toBe('abc');
  });

  it.each(['insertFromPaste', 'insertFromDrop', null])('takes back each %s on its own', (inputType) => {
    const { history, now } = edited(['', 'a', 'ab'], inputType);
    expect(history.undo(now)?.text).toBe('a');
    expect(history.undo(buffer('a'))?.text).toBe('');
  });

  it('takes back on its own what was typed after the caret was moved', () => {
    const history = new UndoHistory();
    history.add(buffer(''), 'insertText');
    history.rest();
    history.add(buffer('a'), 'insertText');
    expect(history.undo(buffer('ab'))?.text).toBe('a');
  });

  it('brings nothing back once a script has set the value', () => {
    const { history, now } = edited(['', 'a'], 'insertText');
    history.forget();
    expect(history.undo(now)).toBeNull();
    expect(history.redo(now)).toBeNull();
  });

  it('forgets what was undone as soon as something else is typed', () => {
    const { history, now } = edited(['', 'a'], 'insertFromPaste');
    expect(history.undo(now)?.text).toBe('');
    history.add(buffer(''), 'insertFromPaste');
    expect(history.redo(buffer('b'))).toBeNull();
  });

  it('goes back and forth through the same texts', () => {
    const texts = fc.uniqueArray(fc.string({ maxLength: 5 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(texts, (all) => {
        const { history, now } = edited(all, 'insertFromPaste');
        const seen = [now.text];
        let at = now;
        for (let back = history.undo(at); back; back = history.undo(at)) {
          at = back;
          seen.unshift(at.text);
        }
        expect(seen).toEqual(all);
        for (const text of all.slice(1)) {
          const forth = history.redo(at);
          expect(forth?.text).toBe(text);
          if (forth) at = forth;
        }
        expect(history.redo(at)).toBeNull();
      }),
    );
  });
});
