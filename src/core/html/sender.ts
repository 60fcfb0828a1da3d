import type { Field, FieldKind } from './field';

/** A submit button (HTML Standard, "Form-associated elements"). */
export function sends(kind: FieldKind): boolean {
  return kind === 'submit' || kind === 'image';
}

/** The first button that sends the same form as this one. */
export function firstSender(fields: readonly Field[], button: Field): Field | null {
  const [{ form }] = button.controls;
  return fields.find(({ kind, controls }) => sends(kind) && controls[0].form === form) ?? null;
}
