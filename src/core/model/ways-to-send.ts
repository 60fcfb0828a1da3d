import { type Field, fieldOfControl } from '../html/field';
import { pageOf } from '../html/page-controls';
import { type ControlState, parsedState } from '../standard/control-state';
import { invalidControls } from '../standard/form-submission';
import { implicitSubmission } from '../standard/implicit-submission';
import { settledRadios } from '../standard/radio-group';

/** A way to send a form, and what becomes of it while the form is as it is at first. */
export interface WayToSend {
  readonly way: 'button' | 'button while valid' | 'enter' | 'requestSubmit()' | 'submit()';
  readonly result: string;
  readonly seen: string;
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
  const invalid = invalidControls(own);
  const skips = (state: ControlState | null) =>
    'novalidate' in form || (state !== null && 'formnovalidate' in state.attributes);
  const fieldOf = ({ control }: ControlState) => fieldOfControl(fields, control.ordinal);
  const labelOf = (state: ControlState) => fieldOf(state)?.label ?? 'a field';
  const wrong = count(new Set(invalid.map(fieldOf)).size);
  const [first] = invalid;
  const attempt = (state: ControlState | null): Omit<WayToSend, 'way'> => {
    if (!first) return { result: 'sent', seen: 'the next page' };
    if (skips(state)) return { result: `sent, though ${wrong} not valid`, seen: 'nothing of what is wrong' };
    return { result: 'stopped', seen: `a message at ${labelOf(first)}, and the focus there` };
  };
  const implicit = implicitSubmission(own);
  const enter = (): Omit<WayToSend, 'way'> => {
    if (implicit.does === 'nothing') return { result: 'nothing', seen: implicit.why };
    if (implicit.does === 'sends without a button') return attempt(null);
    const byDefault = own.find(({ control }) => control.ordinal === implicit.ordinal) ?? null;
    const { result, seen } = attempt(byDefault);
    return { result: `${result}, as by ${byDefault ? labelOf(byDefault) : 'the default button'}`, seen };
  };
  return [
    { way: 'button', ...attempt(pressed) },
    {
      way: 'button while valid',
      result: first ? 'nothing: there is no button' : 'sent',
      seen: first ? 'neither a button nor which of the fields is wrong' : 'the next page',
    },
    { way: 'enter', ...enter() },
    { way: 'requestSubmit()', ...attempt(null) },
    {
      way: 'submit()',
      result: first ? `sent, though ${wrong} not valid` : 'sent',
      seen: first ? 'nothing of what is wrong; no submit event either' : 'the next page',
    },
  ];
}

function count(n: number): string {
  return n === 1 ? '1 field is' : `${n} fields are`;
}
