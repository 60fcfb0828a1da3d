import type { EditingBuffer } from '../../script/editing-buffer';

/** What undo and redo bring back: characters typed one after another go together, as in all three engines. */
export class UndoHistory {
  private past: EditingBuffer[] = [];
  private future: EditingBuffer[] = [];
  /** The run of edits that is still being put together. */
  private run: string | null = null;

  /** An edit. @param before what undo brings back, the caret included */
  add(before: EditingBuffer, inputType: string | null): void {
    const run = runOf(inputType);
    if (run === null || run !== this.run) this.past.push(before);
    this.run = run;
    this.future = [];
  }

  /** The caret was moved: what is typed from here on is undone on its own. */
  rest(): void {
    this.run = null;
  }

  /** A script set the value: what was there before cannot be brought back. */
  forget(): void {
    this.past = [];
    this.future = [];
    this.run = null;
  }

  /** @param now what redo brings back */
  undo(now: EditingBuffer): EditingBuffer | null {
    return this.go(this.past, this.future, now);
  }

  redo(now: EditingBuffer): EditingBuffer | null {
    return this.go(this.future, this.past, now);
  }

  private go(from: EditingBuffer[], to: EditingBuffer[], now: EditingBuffer): EditingBuffer | null {
    const found = from.pop();
    if (!found) return null;
    to.push(now);
    this.run = null;
    return found;
  }
}

/** Edits of one run are undone together. */
function runOf(inputType: string | null): string | null {
  return inputType === 'insertText' || inputType?.startsWith('delete') ? 'typing' : null;
}
