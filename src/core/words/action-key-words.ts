import type { ActionDeed, ActionKeyTrouble, AfterRefusal, IdleReason } from '../keyboard/action-key';

/** What a person cannot do with the action key, after the name of a field or by itself. */
export const actionKeyTroubleWords: Readonly<Record<ActionKeyTrouble, string>> = {
  'no action key': 'the keyboard has no action key, so the person has to tap beside the field to close it.',
  'newline only': 'the action key inserts a newline, and the form has no submit button.',
};

const idleReasons: Readonly<Record<IdleReason, string>> = {
  'no action key': 'this keyboard has no action key',
  'several fields and no button':
    'the form has several fields and no submit button, so Enter does not submit it',
  'no field follows': 'no field follows',
  'no field before': 'no field precedes this one',
};

const afterRefusal: Readonly<Record<AfterRefusal, string>> = {
  'focus moves on unchecked': 'the focus moves to the next field and shows its keyboard; nothing is checked.',
  'blocked, keyboard stays':
    'submission is blocked; the first invalid field gets the focus and its keyboard.',
  'blocked, keyboard goes': 'submission is blocked and the keyboard closes.',
  'newline, unchecked': 'the key inserts a newline; nothing is checked.',
  'keyboard goes, unchecked': 'the keyboard closes and the focus stays; nothing is checked.',
  'only the button checks': 'only the submit button checks the entry.',
  unchecked: 'nothing is checked.',
};

/** What the action key does, after its name. */
export function deedText(deed: ActionDeed): string {
  switch (deed.does) {
    case 'goes to':
      return `moves the focus to ${deed.field.label}`;
    case 'sends':
      return 'submits the form';
    case 'puts a newline':
      return 'inserts a newline';
    case 'puts the keyboard away':
      return 'closes the keyboard';
    case 'nothing':
      return `does nothing: ${idleReasons[deed.why]}`;
  }
}

/** What was done by the key that was tapped last. */
export function didText(did: ActionDeed | 'put away'): string {
  return did === 'put away' ? 'The keyboard closes; the focus stays.' : `The key ${deedText(did)}.`;
}

/** What the action key does while the entry is not accepted. */
export function afterRefusalText(after: AfterRefusal): string {
  return `While the entry is invalid, ${afterRefusal[after]}`;
}
