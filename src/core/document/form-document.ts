import type { Guard } from '../guard/guard';
import type { TypingTask, TypingTasks } from '../guard/typing-task';
import type { FieldId } from '../html/field';
import type { Purpose } from '../purpose/purpose';
import { readScript } from '../script/script-text';
import type { OwnPage } from './own-page';

export type FormId = string & { readonly brand: 'FormId' };

/** What is typed into a field, as the person wrote it; `script` is script text. */
export interface TypingPlan {
  readonly script: string;
  readonly guards: readonly Guard[];
  /** Texts with the verdict that is expected of each, as CSV; not given: none. */
  readonly samples?: string;
  /** What the field is for, where a person said so; `none`: nothing that is known. Not given: as its markup says. */
  readonly purpose?: Purpose | 'none';
}

/** A form as a person keeps it. */
export interface FormDocument {
  readonly id: FormId;
  readonly name: string;
  readonly markup: string;
  readonly typing: Readonly<Record<FieldId, TypingPlan>>;
  /** The page that the markup was read from, and that engines open; not given: the markup is all there is. */
  readonly page?: OwnPage;
  /** In which people fill it in where its page states none, BCP 47; not given: nobody said it. */
  readonly language?: string;
}

export const limits = {
  /** UTF-16 code units of one form's markup. */
  markup: 1_000_000,
  fields: 500,
  /** UTF-16 code units of one script; room for a paste of a megabyte. */
  script: 3_000_000,
  /** UTF-16 code units of one field's samples. */
  samples: 40_000_000,
} as const;

/** The plans whose script can be read and has strokes; the others have nothing to ask. */
export function typingTasks(form: Pick<FormDocument, 'typing'>): TypingTasks {
  const entries = Object.entries(form.typing).flatMap(([field, plan]): [string, TypingTask][] => {
    const reading = readScript(plan.script);
    if (reading.status === 'fault' || reading.script.length === 0) return [];
    return [[field, { script: reading.script, guards: plan.guards }]];
  });
  return Object.fromEntries(entries) as TypingTasks;
}
