import { caretMoveOf } from '../../core/script/caret-keys';
import {
  bufferOf,
  deleteTo,
  type EditingBuffer,
  extendSelection,
  insertText,
  moveCaret,
  selectAll,
} from '../../core/script/editing-buffer';

/** The parts of a keyboard event that move a caret. */
export interface FollowedKey {
  readonly key: string;
  readonly shiftKey?: boolean;
  readonly ctrlKey?: boolean;
}

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

  get caret(): { readonly start: number; readonly end: number } {
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

  keyDown({ key, shiftKey = false, ctrlKey = false }: FollowedKey): void {
    if (ctrlKey && key.toLowerCase() === 'a') this.buffer = selectAll(this.buffer);
    const move = caretMoveOf(key, ctrlKey ? ['Control'] : [], { lines: false, marks: false, pages: false });
    // In a number field these step.
    if (!move || key === 'ArrowUp' || key === 'ArrowDown') return;
    this.buffer = shiftKey ? extendSelection(this.buffer, move) : moveCaret(this.buffer, move);
  }

  input(inputType: string, data: string | null): void {
    this.buffer = this.after(inputType, data);
    const { value } = this.element;
    // A value that says something else than the text followed: the engine rewrote it, so what it says holds.
    if (value !== '' && !this.agrees(value)) this.buffer = bufferOf(value);
  }

  /** A script put this text in. */
  set(buffer: EditingBuffer): void {
    this.buffer = buffer;
  }

  /** A value may be the text trimmed, or the same number written shorter, as 1 for “1.”. */
  private agrees(value: string): boolean {
    const text = this.buffer.text.trim();
    return value === text || (this.element.type === 'number' && Number(value) === Number(text));
  }

  private after(inputType: string, data: string | null): EditingBuffer {
    switch (inputType) {
      case 'deleteContentBackward':
        return deleteTo(this.buffer, 'previous grapheme');
      case 'deleteContentForward':
        return deleteTo(this.buffer, 'next grapheme');
      case 'deleteWordBackward':
        return deleteTo(this.buffer, 'previous word');
      case 'deleteWordForward':
        return deleteTo(this.buffer, 'next word');
      case 'deleteByCut':
        return insertText(this.buffer, '');
      case 'insertText':
      case 'insertFromPaste':
      case 'insertFromDrop':
        return data === null ? bufferOf(this.element.value) : insertText(this.buffer, data);
      default:
        return bufferOf(this.element.value);
    }
  }
}
