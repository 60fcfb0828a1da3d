import { type Field, fieldOfControl } from '../html/field';
import { pageOf } from '../html/page-controls';
import { type ControlState, parsedState } from '../standard/control-state';
import { invalidControls } from '../standard/form-submission';
import { implicitSubmission, type NoImplicitSubmission } from '../standard/implicit-submission';
import { settledRadios } from '../standard/radio-group';

/** The ways to send a form; the second is a button that its page shows only while the form is valid. */
export const waysOfSending = [
  'button',
  'button while valid',
  'enter',
  'requestSubmit()',
  'submit()',
] as const;
export type WayOfSending = (typeof waysOfSending)[number];

/** What becomes of a way while the form is as it is at first. `by`: the label of the default button, where that one is pressed. */
export type WayOutcome =
  /** Sent; `invalid` counts the fields that are not valid, `isSilent` is without a submit event. */
  | {
      readonly does: 'sends';
      readonly invalid: number;
      readonly isSilent: boolean;
      readonly by: string | null;
    }
  /** Stopped with a message at the field of this label; null: at a control that is no field. */
  | { readonly does: 'stops'; readonly at: string | null; readonly by: string | null }
  | { readonly does: 'has no button' }
  | { readonly does: 'nothing'; readonly why: NoImplicitSubmission };

export interface WayToSend {
  readonly way: WayOfSending;
  readonly outcome: WayOutcome;
}

/** HTML Standard, "Form submission algorithm", "Implicit submission", and the `submit()` and `requestSubmit()` methods. */
export function waysToSend(markup: string, fields: readonly Field[], button: Field): WayToSend[] {
  const { controls, forms } = pageOf(markup);
  const page = settledRadios(controls.map((control) => parsedState(control)));
  const pressed = page[button.controls[0].ordinal];
  const owner = pressed?.control.form ?? null;
  const form = owner === null ? undefined : forms[owner];
  if (!pressed || !form) return [];
  const own = page.filter(({ control }) => control.form === owner);
  const wrong = invalidControls(own);
  const fieldOf = ({ control }: ControlState) => fieldOfControl(fields, control.ordinal);
  const labelOf = (state: ControlState) => fieldOf(state)?.label ?? null;
  const invalid = new Set(wrong.map(fieldOf)).size;
  const [first] = wrong;
  const skips = (state: ControlState | null) =>
    'novalidate' in form || (state !== null && 'formnovalidate' in state.attributes);
  const attempt = (state: ControlState | null, by: string | null = null): WayOutcome =>
    first && !skips(state)
      ? { does: 'stops', at: labelOf(first), by }
      : { does: 'sends', invalid, isSilent: false, by };
  const implicit = implicitSubmission(own);
  const enter = (): WayOutcome => {
    if (implicit.does === 'nothing') return implicit;
    if (implicit.does === 'sends without a button') return attempt(null);
    const byDefault = own.find(({ control }) => control.ordinal === implicit.ordinal) ?? null;
    return attempt(byDefault, byDefault && labelOf(byDefault));
  };
  const outcomes: Readonly<Record<WayOfSending, WayOutcome>> = {
    button: attempt(pressed),
    'button while valid': first
      ? { does: 'has no button' }
      : { does: 'sends', invalid, isSilent: false, by: null },
    enter: enter(),
    'requestSubmit()': attempt(null),
    'submit()': { does: 'sends', invalid, isSilent: true, by: null },
  };
  return waysOfSending.map((way) => ({ way, outcome: outcomes[way] }));
}
