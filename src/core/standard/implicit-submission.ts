import { type FieldKind, isDated, isTypedText } from '../html/field';
import type { ControlState } from './control-state';

/** What Enter in a one-line field does. */
export type ImplicitSubmission =
  | { readonly does: 'presses the default button'; readonly ordinal: number }
  | { readonly does: 'sends without a button' }
  | { readonly does: 'nothing'; readonly why: string };

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
      ? { does: 'nothing', why: 'The first button that sends is disabled.' }
      : { does: 'presses the default button', ordinal: button.control.ordinal };
  }
  const fields = controls.filter(({ kind }) => blocksImplicitSubmission(kind)).length;
  return fields > 1
    ? { does: 'nothing', why: `There is no button, and ${fields} fields block it.` }
    : { does: 'sends without a button' };
}
