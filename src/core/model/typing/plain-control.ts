import type { FocusWay } from '../../script/stroke';
import { type ControlState, idlValueOf } from '../../standard/control-state';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';

/** A control without a caret: what it holds is its value, Tab leaves it, and only some keys do something to it. */
export abstract class PlainControl implements TypedControl {
  readonly caret = { start: 0, end: 0 };
  readonly badInput: boolean = false;
  readonly editedByPerson = false;

  constructor(
    public state: ControlState,
    protected readonly context: TypingContext,
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

  abstract keyDown(press: Press): void;

  keyUp(_press: Press): void {}

  tab(): boolean {
    return false;
  }

  leave(): void {
    this.context.log.raise('blur');
  }
}
