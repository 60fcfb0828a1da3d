import { type Field, isDisabled, isTypedText } from './field';

/** The field in which Enter is pressed to send a button's form: its first one that takes a line of text. */
export function enterField(fields: readonly Field[], button: Field): Field | null {
  const [{ form }] = button.controls;
  return (
    fields.find(({ kind, controls: [control] }) => {
      const isUsable = !isDisabled(control);
      return control.form === form && isTypedText(kind) && kind !== 'textarea' && isUsable;
    }) ?? null
  );
}
