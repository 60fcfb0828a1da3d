import type { FormDocument } from '../document/form-document';
import { typingTasks } from '../document/form-document';
import { validTrial } from '../document/trial-value';
import type { TypingTasks } from '../guard/typing-task';
import type { Field } from '../html/field';
import { isTypedInto, type WidgetRole, widgetRoleOf } from '../html/widget';
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
 * What is typed into a field of a page of one's own when nobody wrote a script: a valid value key by key, all of it deleted; its beginning,
 * and one more character before the last; all of it deleted, its first half, and one more character in the middle of that. These show
 * whether the page's scripts let the caret stand where it is: some set the value anew with each key, others once there are signs to put
 * between groups. A widget into which no text is typed is worked with its keys. Null for a field that takes no keys, or of which no valid
 * value is known.
 */
export function usualScript(field: Field): Script | null {
  const trial = validTrial(field);
  if (!isTypedInto(field)) return field.kind === 'widget' ? stepsOf(widgetRoleOf(field.controls[0])) : null;
  if (trial.status !== 'value' || trial.value === '') return null;
  const keys = graphemes(trial.value).slice(0, 40);
  const half = Math.ceil(keys.length / 2);
  // A sign that a mask puts in by itself it may leave out.
  const next = keys.slice(half).find((key) => /[\p{L}\p{N}]/u.test(key));
  const inMiddle =
    half > 3 && next !== undefined ? inserted(keys.slice(0, half), Math.floor(half / 2), next) : [];
  const [, , third] = keys;
  return [
    ...keys.map(press),
    ...inserted(keys.slice(0, 3), 1, third ?? keys.at(-1) ?? ''),
    ...inMiddle,
    { kind: 'leave' },
  ];
}

/** The keys that a widget of a role is worked with (ARIA Authoring Practices, "Patterns"). */
function stepsOf(role: WidgetRole | null): Script {
  const keys =
    role === 'combobox'
      ? ['ArrowDown', 'ArrowDown', 'Enter']
      : ['ArrowUp', 'ArrowDown', 'ArrowRight', 'ArrowLeft', 'Home', 'End'];
  return [...keys.map(press), { kind: 'leave' }];
}

const press = (key: string): Stroke => ({ kind: 'key', key });

/** In place of all that is there: keys, so many steps back, and one more key. */
function inserted(keys: readonly string[], back: number, key: string): Stroke[] {
  return [
    { kind: 'command', command: 'select all' },
    press('Backspace'),
    ...keys.map(press),
    ...Array.from({ length: back }, () => press('ArrowLeft')),
    press(key),
  ];
}
