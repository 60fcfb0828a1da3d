import { type FieldKind, isDated, isTypedText } from '../html/field';
import type { ControlState } from './control-state';

/** Why Enter sends nothing: the default button is disabled, or there is none and so many fields block it. */
export type NoImplicitSubmission =
  | { readonly code: 'default button disabled' }
  | { readonly code: 'several fields'; readonly fields: number };

/** What Enter in a one-line field does. */
export type ImplicitSubmission =
  | { readonly does: 'presses the default button'; readonly ordinal: number }
  | { readonly does: 'sends without a button' }
  | { readonly does: 'nothing'; readonly why: NoImplicitSubmission };

/** HTML Standard, "Implicit submission": a field that blocks it is one of text in a line, or a date or a time. */
export function blocksImplicitSubmission(kind: FieldKind): boolean {
  return (isTypedText(kind) && kind !== 'textarea') || isDated(kind);
}

/**
 * HTML Standard, "Implicit submission": what happens when a person presses Enter in a field of the form.
 * @param controls the controls that the form owns, in tree order
 */
export function implicitSubmission(controls: readonly ControlState[]): ImplicitSubmission {
  const button = controls.find(({ kind }) => kind === 'submit' || kind === 'image');
  if (button) {
    const disabled = 'disabled' in button.attributes || button.control.disabledByFieldset;
    return disabled
      ? { does: 'nothing', why: { code: 'default button disabled' } }
      : { does: 'presses the default button', ordinal: button.control.ordinal };
  }
  const fields = controls.filter(({ kind }) => blocksImplicitSubmission(kind)).length;
  return fields > 1
    ? { does: 'nothing', why: { code: 'several fields', fields } }
    : { does: 'sends without a button' };
}
