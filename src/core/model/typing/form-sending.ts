import { refusesToSend } from '../../guard/stages';
import type { ControlState } from '../../standard/control-state';
import { type FormState, invalidControls } from '../../standard/form-submission';
import { blocksImplicitSubmission, implicitSubmission } from '../../standard/implicit-submission';
import { radioGroupOf } from '../../standard/radio-group';
import { ToggleControl } from './toggle-control';
import type { TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';
import type { TypingPlace } from './typing-place';

/** What becomes of the form around a control when it is asked to be sent (HTML Standard, "Form submission algorithm"). */
export class FormSending {
  /**
   * @param ofControl the control that is typed into, which knows what was made of it
   * @param blur takes the focus away from it
   */
  constructor(
    private readonly place: TypingPlace,
    private readonly context: TypingContext,
    private readonly ofControl: () => TypedControl,
    private readonly blur: () => void,
  ) {}

  private get control(): TypedControl {
    return this.ofControl();
  }

  /**
   * HTML Standard, "Implicit submission": Enter presses the default button, or sends without one.
   * @param always asked for by something else than Enter, which nothing can keep from it
   */
  send(always = false): void {
    const { own, form } = this.place;
    if (this.context.habits.tells === 'text changes') {
      this.context.log.raise('submit');
      return;
    }
    if (form === null) return;
    const controls = this.place.page
      .filter(({ control }) => control.form === own.control.form)
      .map((one) => this.stateNow(one));
    const does = implicitSubmission(controls);
    const enterSends =
      does.does === 'presses the default button' ||
      (does.does === 'sends without a button' && blocksImplicitSubmission(own.kind));
    if (!always && !enterSends) return;
    const button =
      does.does === 'presses the default button'
        ? controls.find(({ control }) => control.ordinal === does.ordinal)
        : null;
    this.submit(controls, button ?? null, form);
  }

  /** HTML Standard, "activation behavior" of a button. */
  press(): void {
    const { own, form, page } = this.place;
    if (form === null || (own.kind !== 'submit' && own.kind !== 'image')) return;
    this.submit(
      page.filter(({ control }) => control.form === own.control.form),
      own,
      form,
    );
  }

  private submit(
    controls: readonly ControlState[],
    button: ControlState | null,
    form: FormState['attributes'],
  ): void {
    const validates = !('novalidate' in form) && !(button && 'formnovalidate' in button.attributes);
    const invalid = validates ? this.invalid(controls) : [];
    for (const { control, attributes } of invalid) {
      const isOwn = control === this.place.own.control;
      if (isOwn || this.isInGroup(control.ordinal))
        this.context.log.raise('invalid', { on: isOwn ? null : (attributes.id ?? null) });
    }
    const [first] = invalid;
    if (first) {
      // The first one that is not valid gets the focus.
      if (first.control !== this.place.own.control) this.blur();
      return;
    }
    const refusing = refusesToSend(this.context.guards, this.control.text);
    this.context.log.raise('submit', {
      prevented: refusing !== null,
      on: button?.attributes.id ?? null,
      ...(this.control instanceof ToggleControl && { value: `checked:${this.control.state.checked}` }),
    });
    if (refusing) this.context.outcome = { ...this.context.outcome, refused: 'guard', guard: refusing.id };
  }

  /** A control of the page as the person has left it. */
  private stateNow(state: ControlState): ControlState {
    const now = this.control instanceof ToggleControl ? this.control.states : [this.control.state];
    return now.find(({ control }) => control === state.control) ?? state;
  }

  private isInGroup(ordinal: number): boolean {
    return radioGroupOf(this.place.own, this.place.page).some(({ control }) => control.ordinal === ordinal);
  }

  private invalid(controls: readonly ControlState[]): ControlState[] {
    const own = this.place.own.control;
    const others = invalidControls(controls, this.context.deviations);
    if (!this.control.badInput || others.some(({ control }) => control === own)) return others;
    return [...others, this.control.state];
  }
}
