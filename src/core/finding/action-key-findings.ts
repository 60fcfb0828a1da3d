import type { Field } from '../form/field';
import { grouped } from '../grouped';
import { actionKeyOf } from '../keyboard/action-key';
import { comesUp } from '../keyboard/comes-up';
import { entryOf, hasKeyboard } from '../keyboard/entry';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { phonesWith } from '../keyboard/phone-browsers';
import { type Finding, type FoundOn, findingId } from './finding';

/** A field from whose keyboard a person does not get on, or cannot send. */
export function actionKeyFindings(field: Field, fields: readonly Field[], setup: KeyboardSetup): Finding[] {
  if (!hasKeyboard(field)) return [];
  // That the form has no button at all is a fault of the form, told once.
  const isForms = !fields.some(
    (one) => one.kind === 'button' && one.controls[0].form === field.controls[0].form,
  );
  if (field.kind === 'textarea' && isForms && field.controls[0].form !== null) return [];
  const troubles = phonesWith(setup).flatMap(({ target: { id, name }, habits }) => {
    const { keyboard } = comesUp(habits, entryOf(field), setup.language);
    const trouble = keyboard && actionKeyOf(field, fields, keyboard, habits).trouble;
    const on: FoundOn = { target: id, name, mark: 'modelled', says: [] };
    return trouble ? [{ trouble, on }] : [];
  });
  return [...grouped(troubles, ({ trouble }) => trouble)].map(([trouble, same]) => ({
    id: findingId('action key', field.id, trouble),
    field: { id: field.id, label: field.label },
    says: `${field.label}: ${trouble}`,
    harm: 'person misled',
    why: 'On a phone the person does not see how to go on.',
    remedy:
      field.kind === 'textarea'
        ? 'Give the form a button that sends it.'
        : 'Let another keyboard come up, by another type or inputmode.',
    change: null,
    details: [],
    script: null,
    targets: same.map(({ on }) => on),
    marks: ['modelled'],
    evidence: 'keyboards',
  }));
}
