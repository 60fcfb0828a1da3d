import { allDifferences } from '../compare/lens';
import type { FormDocument } from '../document/form-document';
import { type Field, type FieldId, fieldOfControl } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { readForm } from '../html/read-form';
import { type Asking, askingOf } from '../questions/asking';
import type { Difference } from '../questions/differences';
import type { Observation } from '../questions/observation';
import { type Answers, answersOf, answerTo } from '../run/answers';
import type { TargetId } from '../target/target';
import type { Finding } from './finding';
import { changedForm } from './remedy-edit';

/** What is asked of the form as it is, and with a remedy applied, to see what the remedy does. */
export interface RemedyTrial {
  readonly before: Asking;
  readonly after: Asking;
  /** The fields that are asked about, as they are now. */
  readonly fields: readonly Field[];
  /** The field as it is now, by its id in the changed form: a remedy may give it a name. */
  readonly earlierId: ReadonlyMap<FieldId, FieldId>;
}

/** Null where nothing of it can be seen in a target: nothing is changed, or no field. */
export function remedyTrial(form: FormDocument, { change, field, script }: Finding): RemedyTrial | null {
  if (!change) return null;
  const { fields } = readForm(form.markup, form.language);
  const people = { language: form.language ?? null };
  const changed = changedForm(form, change);
  if (change.kind === 'guards') {
    const own = fields.find(({ id }) => id === change.field);
    if (!own || !script) return null;
    const askingWith = (guards: typeof change.guards) =>
      askingOf(form.markup, ['typing'], { [own.id]: { script, guards } }, [own.id], null, people);
    return {
      before: askingWith(ownEntry(form.typing, own.id)?.guards ?? []),
      after: askingWith(change.guards),
      fields: [own],
      earlierId: new Map([[own.id, own.id]]),
    };
  }
  const isTouched = ({ controls }: Field) =>
    controls.some(({ span }) =>
      change.edits.some(({ start, end }) => start >= span.start && end <= span.end),
    );
  const touched = fields.filter((one) => one.id === field?.id || isTouched(one));
  if (touched.length === 0) return null;
  const changedFields = readForm(changed.markup, form.language).fields;
  const earlierId = new Map<FieldId, FieldId>();
  for (const { id, controls } of touched) {
    const now = fieldOfControl(changedFields, controls[0].ordinal);
    // Radio buttons that become one group stay with the first of them.
    if (now && !earlierId.has(now.id)) earlierId.set(now.id, id);
  }
  const questions = ['look', 'message', 'parts'] as const;
  return {
    before: askingOf(
      form.markup,
      questions,
      {},
      touched.map(({ id }) => id),
      null,
      people,
    ),
    after: askingOf(changed.markup, questions, {}, [...earlierId.keys()], null, people),
    fields: touched.filter(({ id }) => [...earlierId.values()].includes(id)),
    earlierId,
  };
}

/** The answers of the changed form, as answers about the fields as they are now. */
export function asEarlierFields({ earlierId }: RemedyTrial, observations: readonly Observation[]): Answers {
  return answersOf(
    observations.map((one): Observation => ({ ...one, field: earlierId.get(one.field) ?? one.field })),
  );
}

/** What a remedy changes in the answers of one target about one field; strokes are compared by what stands in the end. */
export function trialDifferences(
  before: Answers,
  after: Answers,
  target: TargetId,
  field: FieldId,
): Difference[] {
  const typed = [before, after].map((answers) => typedText(answers, target, field));
  const [was, is] = typed;
  if (was !== null && was !== undefined && is !== null && is !== undefined)
    return was === is ? [] : [{ what: 'typed', here: is, there: was }];
  return allDifferences({ answers: before, target }, { answers: after, target }, field, null);
}

/** What stands in the field after the last stroke; null where it was not typed into. */
export function typedText(answers: Answers, target: TargetId, field: FieldId): string | null {
  const outcome = answerTo(answers, 'typing', target, field)?.outcome;
  return outcome?.status === 'answered' ? (outcome.facts.steps.at(-1)?.text ?? '') : null;
}
