import type { LookState } from '../document/look-state';
import { invalidTrial, trialFor } from '../document/trial-value';
import { grouped } from '../grouped';
import { controlParts } from '../html/control-part';
import { attribute, type Field, takesKeys } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { pageOf } from '../html/page-controls';
import type { Outcome } from '../observation/outcome';
import type { Modelled } from '../observation/provenance';
import { type Asking, planOf } from '../questions/asking';
import { type LookFacts, lookNotAsked } from '../questions/look/facts';
import type { MessageFacts } from '../questions/message/facts';
import type { Observation, PageQuestion } from '../questions/observation';
import type { PartsFacts } from '../questions/parts/facts';
import type { TypingFacts } from '../questions/typing/facts';
import { GaveUp } from '../regexp/budget';
import { validityOf } from '../standard/constraint-validation';
import { parsedState, typeReflected } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import { fieldStateOf } from '../standard/field-state';
import type { TargetId } from '../target/target';
import { engineDeviations } from './deviations/engine-deviations';
import { type Habits, habitsOf, isNativeField } from './deviations/habits';
import { predictAccessibility } from './predict-accessibility';
import { predictSubmission } from './predict-submission';
import { typeScript } from './type-script';
import { validationMessage } from './validation-message';

export const modelVersion = '0.1';

/**
 * The predicting observer: answers every question of an asking about every field, at once.
 * @returns nothing for targets that the model has no habits for.
 */
export function predict(target: TargetId, asking: Asking, at: string): Observation[] {
  return [...predictions(target, asking, at)].flat();
}

/** The same field by field, so that whoever runs it can do something else in between. */
export function* predictions(
  target: TargetId,
  asking: Asking,
  at: string,
): Generator<readonly Observation[], void> {
  const habits = habitsOf(target);
  if (!habits) return;
  const provenance: Modelled = { mark: 'modelled', model: `Ukko ${modelVersion}`, source: habits.source };
  const planned = grouped(planOf(asking), ({ field }) => field);
  for (const field of asking.fields) {
    const asked = { field: field.id, target, provenance, at };
    yield (planned.get(field.id) ?? []).map(({ question, state }): Observation => {
      const shown = state ?? 'closed';
      const none = unmodelled(field, question, habits);
      if (none)
        return question === 'look'
          ? { ...asked, question, state: shown, outcome: none }
          : { ...asked, question, outcome: none };
      switch (question) {
        case 'look': {
          const predict = () => predictLook(field, shown, engineDeviations[habits.deviations]);
          return { ...asked, question, state: shown, outcome: workedOut(predict) };
        }
        case 'message':
          return { ...asked, question, outcome: workedOut(() => predictMessage(field, habits)) };
        case 'accessibility': {
          const predict = () => predictAccessibility(field, asking, habits);
          return { ...asked, question, outcome: asking.page ? unknownPage : workedOut(predict) };
        }
        case 'parts':
          return { ...asked, question, outcome: asking.page ? unknownPage : predictParts(field, habits) };
        case 'submission': {
          const predict = () => predictSubmission(field, asking, habits);
          return { ...asked, question, outcome: asking.page ? unknownPage : workedOut(predict) };
        }
        case 'fallback':
        case 'opening':
        case 'bubble':
          return { ...asked, question, outcome: unpredictable };
        case 'typing': {
          const predict = () => predictTyping(field, asking, habits, new Date(at));
          return { ...asked, question, outcome: workedOut(predict) };
        }
      }
    });
  }
}

/** A rule that takes too many steps costs the answer that needs it, and no other. */
function workedOut<Facts>(predict: () => Outcome<Facts>): Outcome<Facts> {
  try {
    return predict();
  } catch (error) {
    if (error instanceof GaveUp)
      return { status: 'failed', failure: { code: 'not worked out', why: error.code } };
    throw error;
  }
}

/** Why the model says nothing of a question, whatever the field is like; null where it does. */
function unmodelled({ kind }: Field, question: PageQuestion, habits: Habits) {
  if (isNativeField(habits) && question !== 'typing') return nativeField;
  return kind === 'widget' ? unknownWidget : null;
}

/** What a widget does its own scripts decide, and how its content is edited each engine. */
const unknownWidget = {
  status: 'inapplicable',
  reason: { code: 'model knows no widget' },
} as const;

/** A field of a native app is no part of a page: what a page's form would ask of it has no answer. */
const nativeField = {
  status: 'inapplicable',
  reason: { code: 'native field' },
} as const;

/** Of a page of the developer's own the model has a snapshot of the markup, and no more. */
const unknownPage = {
  status: 'inapplicable',
  reason: { code: 'model knows no page' },
} as const;

export function predictLook(field: Field, state: LookState, deviations: Deviations): Outcome<LookFacts> {
  if (field.kind === 'hidden') return { status: 'inapplicable', reason: { code: 'not drawn' } };
  const trial = trialFor(field, state);
  if (trial?.status === 'none') return { status: 'inapplicable', reason: { code: trial.reason } };
  return {
    status: 'answered',
    facts: {
      typeReflected: typeReflected(parsedState(field.controls[0], deviations)),
      size: null,
      value: shownValue(field, trial?.value ?? null, deviations),
      ...lookNotAsked,
      picture: null,
    },
  };
}

/** A gauge shows what it is set to; a progress that is set to nothing is at 0 (HTML Standard, "The progress element"). */
function shownValue(field: Field, tried: string | null, deviations: Deviations): string {
  if (tried !== null && (field.kind === 'meter' || field.kind === 'progress')) return tried || '0';
  return fieldStateOf(field, { value: tried }, deviations).currentValue;
}

const unpredictable: Outcome<never> = {
  status: 'inapplicable',
  reason: { code: 'model draws nothing' },
};

function predictParts(field: Field, habits: Habits): Outcome<PartsFacts> {
  const parts = habits.parts[field.kind];
  if (!parts) return { status: 'inapplicable', reason: { code: 'model knows no parts' } };
  const how = `known from ${habits.source}`;
  return {
    status: 'answered',
    facts: {
      parts: parts.map((part) => ({ part, how })),
      lookedFor: controlParts,
      shows: null,
      order: null,
      clock: null,
      sizeWithoutLimits: null,
    },
  };
}

function predictMessage(field: Field, habits: Habits): Outcome<MessageFacts> {
  const trial = invalidTrial(field);
  if (trial.status === 'none') return { status: 'inapplicable', reason: { code: trial.reason } };
  const deviations = engineDeviations[habits.deviations];
  const state = fieldStateOf(field, { value: trial.value }, deviations);
  const { willValidate, flags } = validityOf(state, deviations);
  const message = willValidate ? validationMessage(field, state, flags, habits) : '';
  const title = attribute(field.controls[0], 'title');
  const saysTitle = title && message ? message.includes(title) : null;
  return { status: 'answered', facts: { tried: trial.value, willValidate, flags, message, saysTitle } };
}

function predictTyping(field: Field, asking: Asking, habits: Habits, now: Date): Outcome<TypingFacts> {
  if (!takesKeys(field.kind)) return { status: 'inapplicable', reason: { code: 'no keys' } };
  const task = ownEntry(asking.scripts, field.id);
  if (!task) return { status: 'inapplicable', reason: { code: 'no script' } };
  return {
    status: 'answered',
    facts: typeScript(field, task.script, task.guards, { ...habits, now }, pageOf(asking.markup)),
  };
}
