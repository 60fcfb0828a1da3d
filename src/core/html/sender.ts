import { type Field, type FieldKind, isButton, takesKeys } from './field';

/** A submit button (HTML Standard, "Form-associated elements"). */
export function sends(kind: FieldKind): boolean {
  return kind === 'submit' || kind === 'image';
}

/**
 * Buttons by which a form is sent: its submit buttons. Where scripts do the sending and there are none, plain buttons that stand behind the
 * last field that can be filled.
 */
export function sendersIn(fields: readonly Field[], byScripts: boolean): Field[] {
  const submits = fields.filter(({ kind }) => sends(kind));
  if (submits.length > 0 || !byScripts) return submits;
  const last = fields.findLastIndex(({ kind }) => takesKeys(kind) && !isButton(kind));
  return fields.filter(({ kind }, index) => kind === 'button' && index > last);
}

/** The first button that sends the same form as this one. */
export function firstSender(senders: readonly Field[], button: Field): Field | null {
  const [{ form }] = button.controls;
  return senders.find(({ controls }) => controls[0].form === form) ?? null;
}
