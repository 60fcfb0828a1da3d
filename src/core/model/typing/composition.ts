import { type EditingBuffer, insertText } from '../../script/editing-buffer';
import type { EditedText } from './edited-text';
import type { TypingContext } from './typing-context';

/** A text that an input method composes in a field (UI Events, "Composition events"). */
export class Composition {
  /** Where it begins, while one is under way. */
  private from: number | null = null;
  /** What stood there before it. */
  private before: EditingBuffer;

  constructor(
    private readonly text: EditedText,
    private readonly context: TypingContext,
  ) {
    this.before = text.buffer;
  }

  /** What is shown and not committed. */
  get composed(): string {
    return this.from === null ? '' : this.text.buffer.text.slice(this.from, this.text.buffer.start);
  }

  /** An input method shows a text in place of the one that it showed before; a page cannot keep it out. */
  compose(text: string): void {
    const { log, outcome } = this.context;
    if (!this.text.mutable) {
      outcome.refused = 'target';
      return;
    }
    if (this.from === null) {
      log.raise('compositionstart', { data: '' });
      this.from = this.text.buffer.start;
      this.before = this.text.buffer;
    }
    const event = { inputType: 'insertCompositionText', data: text };
    log.raise('beforeinput', event);
    log.raise('compositionupdate', { data: text });
    const end = Math.max(this.text.buffer.end, this.from);
    this.text.take(
      insertText({ text: this.text.buffer.text, start: this.from, end }, text),
      'insertCompositionText',
    );
    log.raise('input', event);
  }

  /** Commits what was composed, as far as the field has room for it; guards rewrite now. */
  end(): void {
    if (this.from === null) return;
    const { log, habits } = this.context;
    const data = this.composed;
    const without = insertText(
      { text: this.text.buffer.text, start: this.from, end: this.text.buffer.start },
      '',
    );
    const left = this.text.admitted(data, without);
    const event = { inputType: 'insertCompositionText', data };
    // Blink composes a text that is too long once more, and what came in is shorter.
    const isCut = habits.compositionEnd === 'as it stands' && left !== data;
    if (isCut) {
      log.raise('compositionupdate', { data });
      log.raise('beforeinput', event);
    }
    this.from = null;
    this.text.buffer = insertText(without, left);
    if (isCut) log.raise('input', { ...event, data: left });
    if (habits.compositionEnd === 'replaces what was shown')
      for (const type of ['beforeinput', 'input'] as const)
        log.raise(type, { inputType: 'insertFromComposition', data: left });
    log.raise('compositionend', { data });
    if (habits.compositionEnd === 'told once more') log.raise('input', event);
    this.text.rewrite(this.before);
  }

  /** Soft keyboards compose all words: guards cannot wait for their end, and what they rewrite ends them. */
  rewrite(): void {
    const before = this.text.buffer.text;
    this.text.rewrite(this.before);
    if (this.text.buffer.text === before) return;
    this.from = null;
  }
}
