import type { FormDocument } from '../document/form-document';
import { typingTasks } from '../document/form-document';
import { validTrial } from '../document/trial-value';
import type { TypingTasks } from '../guard/typing-task';
import { type Field, isTypedText } from '../html/field';
import { graphemes } from '../script/graphemes';
import type { Script, Stroke } from '../script/stroke';

/** What is typed into the fields of a page of one's own: what is kept with the form, and else what is usual. */
export function scriptsForPage(form: FormDocument, fields: readonly Field[]): TypingTasks {
  const usual = fields.flatMap((field) => {
    const script = usualScript(field);
    return script ? [[field.id, { script, guards: [] }] as const] : [];
  });
  return { ...Object.fromEntries(usual), ...typingTasks(form) };
}

/**
 * What is typed into a field of a page of one's own when nobody wrote a script: a valid value key by key; all of it
 * deleted; its first half, and one more character in the middle of that, which shows whether the page's scripts let the caret
 * stand where it is. Null for a field that takes no typed text, or of which no valid value is known.
 */
export function usualScript(field: Field): Script | null {
  const trial = validTrial(field);
  if (!isTypedText(field.kind) || trial.status !== 'value' || trial.value === '') return null;
  const keys = graphemes(trial.value).slice(0, 40);
  const half = Math.max(3, Math.ceil(keys.length / 2));
  const beginning = keys.slice(0, half);
  // A mask that puts signs between groups does so once there are some; a sign of its own it may leave out.
  const next = keys.slice(half).find((key) => /[\p{L}\p{N}]/u.test(key)) ?? beginning.at(-1) ?? '';
  const press = (key: string): Stroke => ({ kind: 'key', key });
  return [
    ...keys.map(press),
    { kind: 'command', command: 'select all' },
    press('Backspace'),
    ...beginning.map(press),
    ...Array.from({ length: Math.max(1, Math.floor(half / 2)) }, () => press('ArrowLeft')),
    press(next),
    { kind: 'leave' },
  ];
}
