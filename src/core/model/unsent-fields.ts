import type { Control, Field, FieldId, FieldKind } from '../html/field';
import { pageOf } from '../html/page-controls';
import { tagOf } from '../html/widget';
import { parsedState } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import { type Unsent, whyUnsent } from '../standard/entry-list';

/** A field that a button can never send, whatever is filled in, and why. */
export interface UnsentField {
  readonly field: FieldId;
  readonly kind: FieldKind;
  readonly why: (typeof lasting)[number] | 'no form' | 'another form' | 'widget';
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
    if (kind === 'widget')
      return mayTakePart(markup, first.control) ? [] : [{ field: id, kind, why: 'widget' }];
    if (first.control.form !== form)
      return [{ field: id, kind, why: first.control.form === null ? 'no form' : 'another form' }];
    const why = states.map((state) => {
      const unsent = whyUnsent({ ...state, checked: true }, { submitter: null }, deviations);
      return lasting.find((cause) => cause === unsent);
    });
    return why.every(Boolean) && why[0] ? [{ field: id, kind, why: why[0] }] : [];
  });
}

/** An element of a script's own may put entries of its own into the form (HTML Standard, "Form-associated custom elements"). */
function mayTakePart(markup: string, control: Control): boolean {
  return tagOf(markup, control).includes('-');
}
