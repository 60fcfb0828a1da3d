import type { ControlState } from '../../standard/control-state';
import { parseNonNegativeInteger } from '../../standard/non-negative-integers';
import { PlainControl } from './plain-control';
import type { Press } from './typed-control';
import type { TypingContext } from './typing-context';

/** A select: arrows and letters choose among its options, whether it shows one line or several. */
export class ListControl extends PlainControl {
  /** Letters typed so far. */
  private typed = '';
  private readonly isOpen: boolean;

  constructor(state: ControlState, context: TypingContext) {
    super(state, context);
    const size = parseNonNegativeInteger(state.attributes.size ?? null) ?? 0;
    this.isOpen = 'multiple' in state.attributes || size > 1;
  }

  override get text(): string {
    const [first] = this.state.selected;
    return first === undefined ? '' : (this.state.control.options[first]?.label ?? '');
  }

  keyDown({ key, modifiers }: Press): void {
    const { log } = this.context;
    const ignored = modifiers.includes('Shift') && !this.isOpen && !this.context.habits.menuTakesShift;
    const to = ignored ? null : this.target(key);
    if (to !== null) {
      if (this.context.habits.arrowsForgetLetters) this.typed = '';
      this.choose(to, true);
      return;
    }
    if (key === 'Enter') {
      log.raise('keypress', { key });
      return;
    }
    if (key.length !== 1) return;
    log.raise('keypress', { key });
    const found = this.byLetters(key);
    if (found !== null)
      this.choose(found, !this.isOpen || this.at >= 0 || this.context.habits.letterInListRaisesInput);
  }

  private get at(): number {
    return this.state.selected[0] ?? -1;
  }

  private target(key: string): number | null {
    const last = this.state.control.options.length - 1;
    const page = this.isOpen
      ? (parseNonNegativeInteger(this.state.attributes.size ?? null) ?? 4) - 1
      : this.context.habits.menuPage;
    const sideways = !this.isOpen || this.context.habits.listTakesSideways;
    switch (key) {
      case 'ArrowRight':
        return sideways ? this.usable(this.at + 1, 1) : null;
      case 'ArrowLeft':
        return sideways ? this.usable(Math.max(0, this.at - 1), -1) : null;
      case 'ArrowDown':
        return this.usable(this.at + 1, 1);
      case 'ArrowUp':
        return this.usable(
          this.at < 0 ? (this.context.habits.listTakesSideways ? 0 : last) : this.at - 1,
          -1,
        );
      case 'Home':
        return this.usable(0, 1);
      case 'End':
        return this.usable(last, -1);
      case 'PageDown':
        return this.usable(Math.min(last, this.at + page), -1);
      case 'PageUp':
        return this.usable(Math.max(0, this.at - page), 1);
      default:
        return null;
    }
  }

  /** The first option from there on that is not disabled. */
  private usable(from: number, by: 1 | -1): number | null {
    const { options } = this.state.control;
    for (let at = from; at >= 0 && at < options.length; at += by) if (!options[at]?.disabled) return at;
    return null;
  }

  /** The next option that begins with what was typed; one letter again and again goes through all of them. */
  private byLetters(key: string): number | null {
    if (key === ' ' && this.typed === '') return null;
    this.typed += key;
    const again = new Set(this.typed).size === 1;
    const prefix = (again ? key : this.typed).toLowerCase();
    const { options } = this.state.control;
    const from = again ? this.at + 1 : Math.max(0, this.at);
    for (let step = 0; step < options.length; step++) {
      const at = (from + step) % options.length;
      const option = options[at];
      if (option && !option.disabled && option.label.toLowerCase().startsWith(prefix)) return at;
    }
    return null;
  }

  private choose(index: number, raisesInput: boolean): void {
    const { log } = this.context;
    if (this.state.selected.length === 1 && this.at === index) return;
    this.state = { ...this.state, selected: [index], isDirty: true };
    if (raisesInput) log.raise('input');
    log.raise('change');
  }
}
