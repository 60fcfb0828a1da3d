import { trialFiles } from '../document/trial-files';
import { validTrial } from '../document/trial-value';
import { enterField } from '../html/enter-field';
import { type Field, type FieldId, fieldOfControl } from '../html/field';
import { pageOf } from '../html/page-controls';
import { firstSender, sendersIn } from '../html/sender';
import type { Outcome } from '../observation/outcome';
import { noRequest } from '../observation/reason';
import type { Asking } from '../questions/asking';
import type { OtherWays, Sending, SubmissionFacts } from '../questions/submission/facts';
import { validityOf } from '../standard/constraint-validation';
import { type ControlState, parsedState, withChecked, withFiles, withValue } from '../standard/control-state';
import type { Deviations } from '../standard/deviations';
import type { ChosenFile } from '../standard/entry-list';
import { fieldStateOf } from '../standard/field-state';
import { submit } from '../standard/form-submission';
import { implicitSubmission } from '../standard/implicit-submission';
import { settledRadios } from '../standard/radio-group';
import { boundary } from './answer-submission';
import { engineDeviations } from './deviations/engine-deviations';
import type { Habits } from './deviations/habits';
import { validationMessage } from './validation-message';

/** What a button that sends would send. */
export function predictSubmission(button: Field, asking: Asking, habits: Habits): Outcome<SubmissionFacts> {
  const deviations = engineDeviations[habits.deviations];
  const { controls, forms } = pageOf(asking.markup);
  const parsed = settledRadios(controls.map((control) => parsedState(control, deviations)));
  const [{ ordinal }] = button.controls;
  const owner = parsed[ordinal]?.control.form ?? null;
  const attributes = owner === null ? undefined : forms[owner];
  if (!attributes) return { status: 'answered', facts: { asIs: noForm, filled: noForm, others: null } };
  const press = (page: readonly ControlState[], files: Files) =>
    sendingOf(
      { attributes, controls: page.filter(({ control }) => control.form === owner) },
      ordinal,
      files,
      asking,
      habits,
      deviations,
    );
  const isFirst = firstSender(sendersIn(asking.fields, false), button) === button;
  const own = parsed.filter(({ control }) => control.form === owner);
  const byWay = (by: number | null, extra: Readonly<Record<string, string>> = {}) =>
    sendingOf(
      { attributes: { ...attributes, ...extra }, controls: own },
      by,
      new Map(),
      asking,
      habits,
      deviations,
    );
  const enter = (): Sending => {
    if (!enterField(asking.fields, button)) return { status: 'nothing', why: { code: 'no line of text' } };
    const implicit = implicitSubmission(own);
    if (implicit.does === 'nothing') return { status: 'nothing', why: noRequest };
    return byWay(implicit.does === 'sends without a button' ? null : implicit.ordinal);
  };
  const others = (): OtherWays | null =>
    isFirst ? { enter: enter(), requestSubmit: byWay(null), submit: byWay(null, { novalidate: '' }) } : null;
  return {
    status: 'answered',
    facts: {
      others: others(),
      asIs: press(parsed, new Map()),
      filled: press(filledIn(parsed, asking, deviations), chosenIn(asking)),
    },
  };
}

const noForm: Sending = { status: 'nothing', why: { code: 'no form' } };

/** Chosen files by the ordinal of their control. */
type Files = ReadonlyMap<number, readonly ChosenFile[]>;

function sendingOf(
  form: Parameters<typeof submit>[0],
  submitter: number | null,
  files: Files,
  asking: Asking,
  habits: Habits,
  deviations: Deviations,
): Sending {
  const outcome = submit(form, { submitter, files, base: 'http://localhost/', boundary }, deviations);
  switch (outcome.status) {
    case 'sent': {
      const { method, url, contentType, body } = outcome;
      return { status: 'sent', method, url, contentType, body };
    }
    case 'not a request':
      return { status: 'nothing', why: { code: outcome.why } };
    case 'blocked': {
      const by = fieldOfControl(asking.fields, outcome.by.control.ordinal);
      return {
        status: 'blocked',
        by: by?.id ?? null,
        message: by ? messageOf(by, outcome.by, habits, deviations) : null,
        invalid: [
          ...new Set(
            outcome.invalid.flatMap(
              ({ control }) => fieldOfControl(asking.fields, control.ordinal)?.id ?? [],
            ),
          ),
        ] as FieldId[],
      };
    }
  }
}

function messageOf(
  field: Field,
  { value, isDirty }: ControlState,
  habits: Habits,
  deviations: Deviations,
): string | null {
  const state = fieldStateOf(field, { value: isDirty ? value : null }, deviations);
  return validationMessage(field, state, validityOf(state, deviations).flags, habits);
}

function chosenIn({ fields }: Asking): Files {
  return new Map(
    fields.flatMap((field) => {
      const files = trialFiles(field);
      return files.length > 0 ? [[field.controls[0].ordinal, files] as const] : [];
    }),
  );
}

/** The page with a value in every field that takes one, as a target is asked with it. */
function filledIn(page: readonly ControlState[], { fields }: Asking, deviations: Deviations): ControlState[] {
  const filled = [...page];
  for (const field of fields) {
    const files = trialFiles(field).length;
    const chooser = filled[field.controls[0].ordinal];
    if (files > 0 && chooser) filled[field.controls[0].ordinal] = withFiles(chooser, files);
    const trial = field.kind === 'hidden' ? null : validTrial(field);
    if (trial?.status !== 'value') continue;
    const [first, ...rest] = field.controls;
    const state = filled[first.ordinal];
    if (!state) continue;
    if (field.kind === 'checkbox' || field.kind === 'radio') {
      filled[first.ordinal] = withChecked(state, trial.value !== '');
      for (const { ordinal } of rest) {
        const other = filled[ordinal];
        if (other) filled[ordinal] = withChecked(other, false);
      }
      continue;
    }
    const set = withValue(state, trial.value, deviations);
    if (set !== 'InvalidStateError') filled[first.ordinal] = set;
  }
  return filled;
}
