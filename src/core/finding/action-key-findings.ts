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
  // A newline is what the key is for there: a button that a script listens to sends the form, and that there is none is told of the form.
  if (field.kind === 'textarea' && field.controls[0].form !== null) return [];
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
