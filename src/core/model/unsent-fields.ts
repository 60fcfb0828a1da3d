import type { Field, FieldId, FieldKind } from '../html/field';
import { pageOf } from '../html/page-controls';
import { parsedState } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import { type Unsent, whyUnsent } from '../standard/entry-list';

/** A field that a button can never send, whatever is filled in, and why. */
export interface UnsentField {
  readonly field: FieldId;
  readonly why: string;
}

const reasons: Partial<Record<Unsent, string>> = {
  disabled: 'it is disabled',
  'in a datalist': 'it stands in a datalist',
  'no name': 'it has no name',
};

const kindNames: Partial<Record<FieldKind, string>> = {
  output: 'an output',
  meter: 'a meter',
  progress: 'a progress bar',
  button: 'a plain button',
  reset: 'a reset button',
};

/** The fields of a form that its submission leaves out, because of what they are and not of what is in them. */
export function unsentFields(
  markup: string,
  fields: readonly Field[],
  form: number | null,
  deviations: Deviations,
): UnsentField[] {
  const { controls } = pageOf(markup);
  return fields.flatMap((field) => {
    const states = field.controls.flatMap(({ ordinal }) => {
      const control = controls[ordinal];
      return control ? [parsedState(control, deviations)] : [];
    });
    const [first] = states;
    if (!first) return [];
    if (first.control.form !== form)
      return [
        {
          field: field.id,
          why: first.control.form === null ? 'it belongs to no form' : 'it belongs to another form',
        },
      ];
    const why = states.map((state) => {
      const unsent = whyUnsent({ ...state, checked: true }, { submitter: null }, deviations);
      return unsent === 'never sent'
        ? `${kindNames[field.kind] ?? field.kind} is never sent`
        : unsent && reasons[unsent];
    });
    return why.every(Boolean) && why[0] ? [{ field: field.id, why: why[0] }] : [];
  });
}
