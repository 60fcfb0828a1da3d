import type { ActionKeyTrouble } from '../keyboard/action-key';

/** What a person cannot do with the action key, after the name of a field or by itself. */
export const actionKeyTroubleWords: Readonly<Record<ActionKeyTrouble, string>> = {
  'no action key': 'the keyboard has no action key, so the person has to tap beside the field to close it.',
  'newline only': 'the action key inserts a newline, and the form has no submit button.',
};
