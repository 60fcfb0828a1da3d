import { type Field, isTypedText } from '../form/field';
import type { FormDocument } from '../form/form-document';
import { typingTasks } from '../form/form-document';
import { validTrial } from '../form/trial-value';
import type { TypingTasks } from '../observation/asking';
import { graphemes } from '../script/graphemes';
import type { Script, Stroke } from '../script/stroke';

/**
 * What is typed into the fields of a page of one's own when nobody wrote a script: a valid value key by key; all of it
 * deleted; its beginning, and one more character before the last, which shows whether the page's scripts let the caret
 * stand where it is.
 */
export function scriptsForPage(form: FormDocument, fields: readonly Field[]): TypingTasks {
  const usual = fields.flatMap((field) => {
    const trial = validTrial(field);
    if (!isTypedText(field.kind) || trial.status !== 'value' || trial.value === '') return [];
    return [[field.id, { script: usualScript(trial.value), guards: [] }] as const];
  });
  return { ...Object.fromEntries(usual), ...typingTasks(form) };
}

function usualScript(value: string): Script {
  const keys = graphemes(value).slice(0, 40);
  const beginning = keys.slice(0, 3);
  const press = (key: string): Stroke => ({ kind: 'key', key });
  return [
    ...keys.map(press),
    { kind: 'command', command: 'select all' },
    press('Backspace'),
    ...beginning.map(press),
    press('ArrowLeft'),
    press(beginning.at(-1) ?? ''),
    { kind: 'leave' },
  ];
}
