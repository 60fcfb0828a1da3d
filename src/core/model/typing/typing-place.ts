import type { PageControls } from '../../html/page-controls';
import { type ControlState, parsedState } from '../../standard/control-state';
import type { Deviations } from '../../standard/deviations';
import type { FormState } from '../../standard/form-submission';
import { settledRadios } from '../../standard/radio-group';

/** A control in its page. */
export interface TypingPlace {
  readonly own: ControlState;
  /** All controls of the page in tree order, `own` among them. */
  readonly page: readonly ControlState[];
  /** Attributes of the form that owns it; null without one. */
  readonly form: FormState['attributes'] | null;
}

/** The place of the first control that is meant, in a page as it was parsed; null where there is none. */
export function placeIn(
  { controls, forms }: PageControls,
  isMeant: (state: ControlState) => boolean,
  deviations: Deviations,
): TypingPlace | null {
  const page = settledRadios(controls.map((control) => parsedState(control, deviations)));
  const own = page.find(isMeant);
  if (!own) return null;
  return { own, page, form: own.control.form === null ? null : (forms[own.control.form] ?? null) };
}
