import type { Field } from '../html/field';
import { widgetRoleOf } from '../html/widget';

/** What a field is, as markup says it: its kind, or the role of a widget. */
export function kindText({ kind, controls: [control] }: Field): string {
  return kind === 'widget' ? (widgetRoleOf(control) ?? 'contenteditable') : kind;
}
