import { applyEdits, type TextEdit } from '../form/edit-markup';
import type { FieldId } from '../form/field';
import type { FormDocument } from '../form/form-document';
import { ownEntry } from '../form/own-entry';
import type { Guard } from '../guard/guard';

/** What a remedy changes of a form: its markup, or the guards of a field. */
export type Change =
  | { readonly kind: 'markup'; readonly edits: readonly TextEdit[] }
  | { readonly kind: 'guards'; readonly field: FieldId; readonly guards: readonly Guard[] };

type Changed = Pick<FormDocument, 'markup' | 'typing'>;

/** The form with a remedy applied. */
export function changedForm<Form extends Changed>(form: Form, change: Change): Form {
  if (change.kind === 'markup') return { ...form, markup: applyEdits(form.markup, change.edits) };
  const plan = ownEntry(form.typing, change.field) ?? { script: '', guards: [] };
  return { ...form, typing: { ...form.typing, [change.field]: { ...plan, guards: change.guards } } };
}

/** A line of the markup as it is and as a change makes it. */
export interface ChangedLine {
  /** From 1, in the markup as it is. */
  readonly line: number;
  readonly before: string;
  readonly after: string;
}

/** The lines that a change of the markup touches. Edits put no line breaks in. */
export function changedLines(markup: string, edits: readonly TextEdit[]): ChangedLine[] {
  let start = 0;
  return markup.split('\n').flatMap((before, index) => {
    const [from, to] = [start, start + before.length];
    start = to + 1;
    const own = edits.filter((edit) => edit.start >= from && edit.end <= to);
    if (own.length === 0) return [];
    const here = own.map(({ by, ...at }) => ({ by, start: at.start - from, end: at.end - from }));
    return [{ line: index + 1, before: before.trim(), after: applyEdits(before, here).trim() }];
  });
}
