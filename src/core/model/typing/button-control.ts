import type { ControlState } from '../../standard/control-state';
import { PlainControl } from './plain-control';
import type { Press } from './typed-control';
import type { TypingContext } from './typing-context';

/** A control that keys press but do not change: a button, a file field, a colour field. */
export class ButtonControl extends PlainControl {
  /** @param press what happens when it is pressed */
  constructor(
    state: ControlState,
    context: TypingContext,
    private readonly press: () => void,
  ) {
    super(state, context);
  }

  keyDown({ key }: Press): void {
    const { log, habits } = this.context;
    const erases = key === 'Backspace' || key === 'Delete';
    if (key === 'Enter' || key.length === 1 || (erases && habits.eraseIsPressedWhereReadonly))
      log.raise('keypress', { key });
    if (key === 'Enter') this.press();
  }

  override keyUp({ key }: Press): void {
    if (key === ' ') this.press();
  }
}
