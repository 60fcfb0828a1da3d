import { type LookState, statesOf } from '../document/look-state';
import { isScripted, type OwnPage } from '../document/own-page';
import { plansFor } from '../fallback/fallback-plan';
import type { TypingTasks } from '../guard/typing-task';
import type { Field, FieldId, FormReading } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { readForm } from '../html/read-form';
import { sendersIn } from '../html/sender';
import { type PageQuestion, pageQuestions } from './observation';

/** The questions of a sweep over one form, the same for every target. */
export interface Asking {
  readonly markup: string;
  readonly questions: readonly PageQuestion[];
  readonly fields: readonly Field[];
  readonly scripts: TypingTasks;
  /** The page of the developer's own that engines are to open, of which the markup is a snapshot; null: they are shown the markup. */
  readonly page: OwnPage | null;
  /** Of people, where the markup states none, BCP 47; null: nobody said it. */
  readonly language: string | null;
  /** False where a page is shown as to a person who has scripts off. */
  readonly runsScripts: boolean;
}

/** An asking on its way to another thread or machine: whoever gets it reads the fields from the markup, which is less than they are. */
export interface SentAsking extends Pick<Asking, 'markup' | 'questions' | 'scripts' | 'page' | 'language'> {
  /** Null: all fields. */
  readonly fields: readonly FieldId[] | null;
}

export function sentAsking({ fields, runsScripts: _, ...asking }: Asking): SentAsking {
  return { ...asking, fields: fields.map(({ id }) => id) };
}

export function receivedAsking({ markup, questions, scripts, page, language, fields }: SentAsking): Asking {
  return askingOf(markup, questions, scripts, fields, page, { language });
}

/**
 * @param only ids of the fields to ask about; null for all of the form.
 * @param people their language where the markup states none, and the reading for them where it was read already
 */
export function askingOf(
  markup: string,
  questions: readonly PageQuestion[],
  scripts: TypingTasks = {},
  only: readonly FieldId[] | null = null,
  page: OwnPage | null = null,
  people: { readonly language?: string | null; readonly reading?: FormReading } = {},
): Asking {
  const { language = null, reading = readForm(markup, language) } = people;
  const { fields } = reading;
  return {
    markup,
    questions,
    scripts,
    page,
    language,
    runsScripts: true,
    fields: only === null ? fields : chosen(fields, only),
  };
}

function chosen(fields: readonly Field[], only: readonly FieldId[]): Field[] {
  const ids = new Set(only);
  return fields.filter(({ id }) => ids.has(id));
}

/** The questions of a sweep of the whole line-up. Plans are weighed for one field at a time. */
export const sweepQuestions: readonly PageQuestion[] = pageQuestions.filter(
  (question) => question !== 'fallback',
);

/** One thing to be asked; `state` only of a look. */
export interface PlannedQuestion {
  readonly question: PageQuestion;
  readonly field: FieldId;
  readonly state: LookState | null;
}

/** In which states a question is asked of a field; null: once, whatever its state. None: it is not asked. */
type Plan = (field: Field, asking: Planned) => readonly (LookState | null)[];

interface Planned extends Pick<Asking, 'scripts'> {
  readonly senders: ReadonlySet<FieldId>;
}

const once: Plan = () => [null];
const onceIf =
  (isAsked: (...of: Parameters<Plan>) => boolean): Plan =>
  (...of) =>
    isAsked(...of) ? [null] : [];

const plans: Readonly<Record<PageQuestion, Plan>> = {
  look: ({ kind }) => statesOf(kind),
  message: once,
  accessibility: once,
  opening: once,
  bubble: once,
  parts: once,
  submission: onceIf(({ id }, { senders }) => senders.has(id)),
  fallback: onceIf((field) => plansFor(field).length > 0),
  typing: onceIf(({ id }, { scripts }) => ownEntry(scripts, id) !== undefined),
};

/** Buttons by which the form is sent, see `sendersIn`, whether they are asked about or not. */
export function sendersOf({ markup, page }: Pick<Asking, 'markup' | 'page'>): Field[] {
  return sendersIn(readForm(markup).fields, isScripted(page));
}

/** The ids of these. */
export function senderIds(asking: Pick<Asking, 'markup' | 'page'>): ReadonlySet<FieldId> {
  return new Set(sendersOf(asking).map(({ id }) => id));
}

/** Everything that one target is asked. A sweep's progress counts against it. */
export function planOf(asking: Asking): PlannedQuestion[] {
  const planned: Planned = { scripts: asking.scripts, senders: senderIds(asking) };
  return asking.questions.flatMap((question) =>
    asking.fields.flatMap((field) =>
      plans[question](field, planned).map((state) => ({ question, field: field.id, state })),
    ),
  );
}
