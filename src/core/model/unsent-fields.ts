import type { Field, FieldId, FieldKind } from '../html/field';
import { pageOf } from '../html/page-controls';
import { parsedState } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import { type Unsent, whyUnsent } from '../standard/entry-list';

/** A field that a button can never send, whatever is filled in, and why. */
export interface UnsentField {
  readonly field: FieldId;
  readonly kind: FieldKind;
  readonly why: (typeof lasting)[number] | 'no form' | 'another form';
}

/** Causes for which a control is left out whatever is filled in. */
const lasting = ['disabled', 'in a datalist', 'no name', 'never sent'] as const satisfies readonly Unsent[];

/** The fields of a form that its submission leaves out, because of what they are and not of what is in them. */
export function unsentFields(
  markup: string,
  fields: readonly Field[],
  form: number | null,
  deviations: Deviations,
): UnsentField[] {
  const { controls } = pageOf(markup);
  return fields.flatMap((field): UnsentField[] => {
    const states = field.controls.flatMap(({ ordinal }) => {
      const control = controls[ordinal];
      return control ? [parsedState(control, deviations)] : [];
    });
    const [first] = states;
    if (!first) return [];
    const { id, kind } = field;
    if (first.control.form !== form)
      return [{ field: id, kind, why: first.control.form === null ? 'no form' : 'another form' }];
    const why = states.map((state) => {
      const unsent = whyUnsent({ ...state, checked: true }, { submitter: null }, deviations);
      return lasting.find((cause) => cause === unsent);
    });
    return why.every(Boolean) && why[0] ? [{ field: id, kind, why: why[0] }] : [];
  });
}
