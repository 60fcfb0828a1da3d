import type { FocusWay } from '../../script/stroke';
import { type ControlState, idlValueOf } from '../../standard/control-state';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';

/** A control that keys press but do not change: a button, a file field, a colour field. */
export class ButtonControl implements TypedControl {
  readonly caret = { start: 0, end: 0 };
  readonly badInput = false;
  readonly editedByPerson = false;

  /** @param press what happens when it is pressed */
  constructor(
    readonly state: ControlState,
    private readonly context: TypingContext,
    private readonly press: () => void,
  ) {}

  get value(): string {
    return idlValueOf(this.state);
  }

  get text(): string {
    return this.value;
  }

  focus(_by: FocusWay): void {
    this.context.log.raise('focus');
  }

  keyDown({ key }: Press): void {
    const { log, habits } = this.context;
    const erases = key === 'Backspace' || key === 'Delete';
    if (key === 'Enter' || key.length === 1 || (erases && habits.eraseIsPressedWhereReadonly))
      log.raise('keypress', { key });
    if (key === 'Enter') this.press();
  }

  keyUp({ key }: Press): void {
    if (key === ' ') this.press();
  }

  tab(): boolean {
    return false;
  }

  leave(): void {
    this.context.log.raise('blur');
  }
}
