import type { Caret } from '@/core/observation/observation';
import {
  bufferOf,
  deleteBackward,
  deleteForward,
  type EditingBuffer,
  insertText,
  isCaretKey,
  moveCaret,
} from '@/core/script/editing-buffer';

/**
 * The text and caret of a field. Kinds that tell their selection are read; the others (number, email) are followed
 * from the events they raise, because a script can see neither their caret nor a text that is not yet a value.
 */
export class FollowedText {
  private buffer: EditingBuffer;

  constructor(
    private readonly element: HTMLInputElement | HTMLTextAreaElement,
    private readonly tells: boolean,
  ) {
    // Focus by script leaves the caret where the engine put it; for kinds that do not tell, engines start at the front.
    this.buffer = { text: element.value, start: 0, end: 0 };
  }

  get text(): string {
    return this.tells ? this.element.value : this.buffer.text;
  }

  get caret(): Caret {
    const { start, end } = this.current();
    return { start, end };
  }

  current(): EditingBuffer {
    if (!this.tells) return this.buffer;
    const text = this.element.value;
    return {
      text,
      start: this.element.selectionStart ?? text.length,
      end: this.element.selectionEnd ?? text.length,
    };
  }

  keyDown(key: string): void {
    if (isCaretKey(key)) this.buffer = moveCaret(this.buffer, key);
  }

  input(inputType: string, data: string | null): void {
    this.buffer = this.after(inputType, data);
    const { value } = this.element;
    // A value that says something else than the text followed: the engine rewrote it, so what it says holds.
    if (value !== '' && !this.agrees(value)) this.buffer = bufferOf(value);
  }

  /** A value may be the text trimmed, or the same number written shorter, as 1 for “1.”. */
  private agrees(value: string): boolean {
    const text = this.buffer.text.trim();
    return value === text || (this.element.type === 'number' && Number(value) === Number(text));
  }

  private after(inputType: string, data: string | null): EditingBuffer {
    switch (inputType) {
      case 'deleteContentBackward':
        return deleteBackward(this.buffer);
      case 'deleteContentForward':
        return deleteForward(this.buffer);
      case 'insertText':
        return insertText(this.buffer, data ?? '');
      default:
        return bufferOf(this.element.value);
    }
  }
}
