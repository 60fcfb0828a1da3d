import { grouped } from '../grouped';
import type { Field } from '../html/field';
import { actionKeyOf } from '../keyboard/action-key';
import { comesUp } from '../keyboard/comes-up';
import { hasKeyboard, traitsOf } from '../keyboard/input-traits';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { phonesWith } from '../keyboard/phone-browsers';
import { type Finding, type FoundOn, fieldFinding, findingId } from './finding';

/** A field from whose keyboard a person does not get on, or cannot send. */
export function actionKeyFindings(field: Field, fields: readonly Field[], setup: KeyboardSetup): Finding[] {
  if (!hasKeyboard(field)) return [];
  // That the form has no button at all is a fault of the form, told once.
  const isForms = !fields.some(
    (one) => one.kind === 'button' && one.controls[0].form === field.controls[0].form,
  );
  if (field.kind === 'textarea' && isForms && field.controls[0].form !== null) return [];
  const troubles = phonesWith(setup).flatMap(({ target: { id, name }, habits }) => {
    const { keyboard } = comesUp(habits, traitsOf(field), setup.language);
    const trouble = keyboard && actionKeyOf(field, fields, keyboard, habits).trouble;
    const on: FoundOn = { target: id, name, mark: 'modelled', proofs: [] };
    return trouble ? [{ trouble, on }] : [];
  });
  return [...grouped(troubles, ({ trouble }) => trouble)].map(([trouble, same]) =>
    fieldFinding(field, {
      id: findingId('action key', field.id, trouble),
      claim: { code: 'action key', trouble, kind: field.kind },
      harm: 'person misled',
      targets: same.map(({ on }) => on),
      evidence: 'keyboards',
    }),
  );
}
