import { plansFor } from '../fallback/fallback-plan';
import type { Field, FieldId, FieldKind } from '../form/field';
import { ownEntry } from '../form/own-entry';
import { readForm } from '../form/read-form';
import { sends } from '../form/sender';
import type { Guard } from '../guard/guard';
import type { OwnPage } from '../page/own-page';
import type { Script } from '../script/stroke';
import { type ControlState, type PageQuestion, pageQuestions } from './observation';

/** What is typed into a field, and the guards that listen. */
export interface TypingTask {
  readonly script: Script;
  readonly guards: readonly Guard[];
}

export type TypingTasks = Readonly<Record<FieldId, TypingTask>>;

/** The questions of a sweep over one form, the same for every target. */
export interface Asking {
  readonly markup: string;
  readonly questions: readonly PageQuestion[];
  readonly fields: readonly Field[];
  readonly scripts: TypingTasks;
  /** The page of the developer's own that engines are to open, of which the markup is a snapshot; null: they are shown the markup. */
  readonly page: OwnPage | null;
  /** False where a page is shown as to a person who has scripts off. */
  readonly runsScripts: boolean;
}

/**
 * @param only ids of the fields to ask about; null for all of the form.
 */
export function askingOf(
  markup: string,
  questions: readonly PageQuestion[],
  scripts: TypingTasks = {},
  only: readonly FieldId[] | null = null,
  page: OwnPage | null = null,
): Asking {
  const { fields } = readForm(markup);
  return {
    markup,
    questions,
    scripts,
    page,
    runsScripts: true,
    fields: only === null ? fields : fields.filter((field) => only.includes(field.id)),
  };
}

const fieldStates = ['closed', 'focused', 'filled', 'invalid', 'disabled'] as const;
const meterStates = ['closed', 'optimal', 'suboptimal', 'poor'] as const;
const progressStates = ['closed', 'filled', 'indeterminate'] as const;

/** The questions of a sweep of the whole line-up. Plans are weighed for one field at a time. */
export const sweepQuestions: readonly PageQuestion[] = pageQuestions.filter(
  (question) => question !== 'fallback',
);

/** The states in which a kind of field can be seen. */
export function statesOf(kind: FieldKind): readonly ControlState[] {
  if (kind === 'meter') return meterStates;
  if (kind === 'progress') return progressStates;
  return kind === 'output' ? ['closed'] : fieldStates;
}

/** One thing to be asked; `state` only of a look. */
export interface PlannedQuestion {
  readonly question: PageQuestion;
  readonly field: FieldId;
  readonly state: ControlState | null;
}

/** Everything that one target is asked. A sweep's progress counts against it. */
export function planOf(asking: Asking): PlannedQuestion[] {
  return asking.questions.flatMap((question) =>
    asking.fields.flatMap((field): PlannedQuestion[] => {
      const { id, kind } = field;
      switch (question) {
        case 'look':
          return statesOf(kind).map((state) => ({ question, field: id, state }));
        case 'submission':
          return sends(kind) ? [{ question, field: id, state: null }] : [];
        case 'fallback':
          return plansFor(field).length > 0 ? [{ question, field: id, state: null }] : [];
        case 'message':
        case 'opening':
        case 'bubble':
        case 'parts':
          return [{ question, field: id, state: null }];
        case 'typing':
          return ownEntry(asking.scripts, id) ? [{ question, field: id, state: null }] : [];
      }
    }),
  );
}
