import type { FocusWay } from '../../script/stroke';
import type { ControlState } from '../../standard/control-state';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';

/** A checkbox, or a radio button with its group: Space checks, arrows go through the group. */
export class ToggleControl implements TypedControl {
  readonly caret = { start: 0, end: 0 };
  readonly badInput = false;
  readonly editedByPerson = false;
  /** The button of the group that has the focus. */
  private at: number;
  private readonly checked: boolean[];

  /** @param group all buttons of the group in tree order, or the checkbox alone */
  constructor(
    private readonly own: ControlState,
    private readonly group: readonly ControlState[],
    private readonly context: TypingContext,
  ) {
    this.at = Math.max(0, group.indexOf(own));
    this.checked = group.map(({ checked }) => checked);
  }

  /** What recorders write for a control that is checked and not changed. */
  get value(): string {
    return `checked:${this.checked[this.at] ?? false}`;
  }

  get text(): string {
    return this.checked[this.at] ? 'checked' : 'not checked';
  }

  get state(): ControlState {
    return { ...this.own, checked: this.checked[this.group.indexOf(this.own)] ?? false };
  }

  /** All buttons of the group as they are now. */
  get states(): readonly ControlState[] {
    return this.group.map((one, index) => ({ ...one, checked: this.isChecked(index) }));
  }

  /** @param index place in the group */
  isChecked(index: number): boolean {
    return this.checked[index] ?? false;
  }

  /** Id of the button that is checked; null when none is. */
  get chosen(): string | null {
    const index = this.checked.indexOf(true);
    return index < 0 ? null : (this.group[index]?.attributes.id ?? null);
  }

  /** Id of the button that has the focus, where that is another one than at first. */
  get on(): string | null {
    const now = this.group[this.at];
    return now === this.own ? null : (now?.attributes.id ?? null);
  }

  focus(_by: FocusWay): void {
    this.context.log.raise('focus', { on: this.on });
  }

  keyDown({ key }: Press): void {
    const { log, send } = this.context;
    if (key === 'Enter') {
      log.raise('keypress', { key, on: this.on });
      send();
    } else if (this.own.kind === 'radio' && /^Arrow/.test(key))
      this.move(key === 'ArrowDown' || key === 'ArrowRight' ? 1 : -1);
    else if (key.length === 1) log.raise('keypress', { key, on: this.on });
  }

  keyUp({ key }: Press): void {
    if (key === ' ') this.check(this.own.kind === 'checkbox' ? !this.checked[this.at] : true);
  }

  tab(): boolean {
    return false;
  }

  leave(): void {
    this.context.log.raise('blur', { on: this.on });
  }

  private move(by: 1 | -1): void {
    const { habits, log } = this.context;
    const to = this.next(by, habits.radiosWrap);
    if (to === null) return;
    log.raise('blur', { on: this.on });
    this.at = to;
    log.raise('focus', { on: this.on });
    this.check(true);
  }

  /** The next button of the group that is not disabled. */
  private next(by: 1 | -1, wraps: boolean): number | null {
    const count = this.group.length;
    for (let step = 1; step < count; step++) {
      const to = this.at + by * step;
      if (!wraps && (to < 0 || to >= count)) return null;
      const index = (to + count * step) % count;
      if (!('disabled' in (this.group[index]?.attributes ?? {}))) return index;
    }
    return null;
  }

  private check(checked: boolean): void {
    if (this.checked[this.at] === checked) return;
    if (this.own.kind === 'radio') this.checked.fill(false);
    this.checked[this.at] = checked;
    const { log } = this.context;
    log.raise('input', { on: this.on });
    log.raise('change', { on: this.on });
  }
}
