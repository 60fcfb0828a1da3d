import { applyEdits, attributeEdits, setText } from '../html/edit-markup';
import { type Control, controlAgain, type FormElement, type FormReading } from '../html/field';
import type { FormDocument } from './form-document';

/** A form together with what its markup was read as. */
export interface ReadForm {
  readonly form: FormDocument;
  readonly reading: FormReading;
}
type MarkupChange = Pick<FormDocument, 'markup'>;
type Values = Readonly<Record<string, string | null>>;

/**
 * What becomes of a form whose control gets some attributes, or loses those whose value is null; null where the control is not there
 * any more.
 * @param before the reading that the control is of
 */
export function withAttributes(
  { form: { markup }, reading }: ReadForm,
  before: FormReading,
  control: Control | FormElement,
  values: Values,
): MarkupChange | null {
  const there =
    control.element === 'form' ? formAgain(control, before, reading) : controlAgain(control, before, reading);
  return there && { markup: applyEdits(markup, attributeEdits(markup, there, values)) };
}

/** The same of the text between a control's tags. */
export function withText(
  { form: { markup }, reading }: ReadForm,
  before: FormReading,
  control: Control,
  text: string,
): MarkupChange | null {
  const there = controlAgain(control, before, reading);
  const changed = there && setText(markup, there, text);
  return changed === null ? null : { markup: changed };
}

function formAgain(form: FormElement, before: FormReading, now: FormReading): FormElement | null {
  const index = before.forms.indexOf(form);
  return (before.forms.length === now.forms.length && now.forms[index]) || null;
}
