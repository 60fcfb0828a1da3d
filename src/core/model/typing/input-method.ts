import type { FieldKind } from '../../html/field';
import { isNamedKey, type KeyStroke } from '../../script/stroke';
import type { Composition } from './composition';
import type { TypingContext } from './typing-context';

/** Keys that do not bring a character each: dead keys, input methods, and soft keyboards that predict words. */
export class InputMethod {
  /**
   * @param composition of the field that is typed into; null where there is no text to compose
   * @param press presses a key of a keyboard and lets it go
   */
  constructor(
    private readonly kind: FieldKind,
    private readonly composition: Composition | null,
    private readonly context: TypingContext,
    private readonly press: (key: string) => void,
  ) {}

  /** Commits what is composed; so does every stroke that is not the input method's. */
  end(): void {
    this.composition?.end();
  }

  /** A dead key waits for the next one; the two come as one key. */
  deadKey(dead: string, text: string): void {
    if (this.context.habits.keys !== 'hardware') {
      this.compose([dead, text]);
      return;
    }
    this.context.log.raise('keydown', { key: 'Dead' });
    this.context.log.raise('keyup', { key: 'Dead' });
    this.press(text);
  }

  /** An input method shows texts one after the other, each by a key, and commits the last one. */
  compose(texts: readonly string[]): void {
    const { composition } = this;
    if (!composition) return;
    composition.end();
    const key = this.context.habits.keys === 'hardware' ? 'Process' : 'Unidentified';
    for (const text of texts) {
      this.context.log.raise('keydown', { key });
      composition.compose(text);
      this.context.log.raise('keyup', { key });
    }
    composition.end();
  }

  /** Soft keyboards that predict words compose them: letters of a word, in fields that are not secret and not numbers. */
  composes({ key, modifiers }: KeyStroke): boolean {
    const { kind } = this;
    return (
      this.context.habits.keys === 'soft keys that compose' &&
      this.composition !== null &&
      (kind === 'text' || kind === 'search' || kind === 'textarea') &&
      !isNamedKey(key) &&
      !modifiers?.length &&
      /^[\p{L}\p{M}\p{N}'’]+$/u.test(key)
    );
  }

  pressSoftKey(key: string): void {
    const { composition } = this;
    if (!composition) return;
    this.context.log.raise('keydown', { key: 'Unidentified' });
    composition.compose(composition.composed + key);
    composition.rewrite();
    this.context.log.raise('keyup', { key: 'Unidentified' });
  }
}
