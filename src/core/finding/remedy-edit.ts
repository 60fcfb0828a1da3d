import type { FormDocument } from '../document/form-document';
import type { Guard } from '../guard/guard';
import { applyEdits, type TextEdit } from '../html/edit-markup';
import type { FieldId } from '../html/field';
import { ownEntry } from '../html/own-entry';

/** What a remedy changes of a form: its markup, or the guards of a field. */
export type RemedyEdit =
  | { readonly kind: 'markup'; readonly edits: readonly TextEdit[] }
  | { readonly kind: 'guards'; readonly field: FieldId; readonly guards: readonly Guard[] };

type Changed = Pick<FormDocument, 'markup' | 'typing'>;

/** The form with a remedy applied. */
export function changedForm<Form extends Changed>(form: Form, change: RemedyEdit): Form {
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

/** The lines that a change of the markup touches, of long ones what is near it. Edits put no line breaks in. */
export function changedLines(markup: string, edits: readonly TextEdit[]): ChangedLine[] {
  let start = 0;
  return markup.split('\n').flatMap((before, index) => {
    const [from, to] = [start, start + before.length];
    start = to + 1;
    const own = edits.filter((edit) => edit.start >= from && edit.end <= to);
    if (own.length === 0) return [];
    const here = own.map(({ by, ...at }) => ({ by, start: at.start - from, end: at.end - from }));
    return [{ line: index + 1, ...nearChange(before.trim(), applyEdits(before, here).trim()) }];
  });
}

/** A line of more is cut, and so is a change that spans more; and how much is shown beside a change, UTF-16 code units. */
const [longLine, beside] = [240, 60];

/** The same two lines, cut where both are alike for long: a whole form may stand in one line. */
function nearChange(before: string, after: string): Pick<ChangedLine, 'before' | 'after'> {
  if (before.length <= longLine && after.length <= longLine) return { before, after };
  const shorter = Math.min(before.length, after.length);
  let alike = 0;
  while (alike < shorter && before[alike] === after[alike]) alike++;
  let alikeAtEnd = 0;
  while (alikeAtEnd < shorter - alike && before.at(-1 - alikeAtEnd) === after.at(-1 - alikeAtEnd))
    alikeAtEnd++;
  const from = Math.max(0, alike - beside);
  const shown = (line: string) => {
    const to = Math.min(line.length - Math.max(0, alikeAtEnd - beside), from + longLine);
    // A character may be two code units, of which one is cut off.
    const text = line.slice(from, to).replace(/^[\udc00-\udfff]|[\ud800-\udbff]$/g, '');
    return `${from > 0 ? '…' : ''}${text}${to < line.length ? '…' : ''}`;
  };
  return { before: shown(before), after: shown(after) };
}
