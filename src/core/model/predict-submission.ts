import { type Field, type FieldId, fieldOfControl } from '../form/field';
import { pageOf } from '../form/page-controls';
import { validTrial } from '../form/trial-value';
import type { Asking } from '../observation/asking';
import type { Outcome, Sending, SubmissionFacts } from '../observation/observation';
import { validityOf } from '../standard/constraint-validation';
import { type ControlState, parsedState, withChecked, withValue } from '../standard/control-state';
import { fieldStateOf } from '../standard/field-state';
import { submit } from '../standard/form-submission';
import { settledRadios } from '../standard/radio-group';
import type { Ways } from '../standard/ways';
import type { Habits } from '../target/habits';
import { boundary } from './answer-submission';
import { engineWays } from './engine-ways';
import { validationMessage } from './validation-message';

/** What a button that sends would send. */
export function predictSubmission(button: Field, asking: Asking, habits: Habits): Outcome<SubmissionFacts> {
  const ways = engineWays[habits.ways];
  const { controls, forms } = pageOf(asking.markup);
  const parsed = settledRadios(controls.map((control) => parsedState(control, ways)));
  const [{ ordinal }] = button.controls;
  const owner = parsed[ordinal]?.control.form ?? null;
  const attributes = owner === null ? undefined : forms[owner];
  if (!attributes) return { status: 'answered', facts: { asIs: noForm, filled: noForm } };
  const press = (page: readonly ControlState[]) =>
    sendingOf(
      { attributes, controls: page.filter(({ control }) => control.form === owner) },
      ordinal,
      asking,
      habits,
      ways,
    );
  return {
    status: 'answered',
    facts: { asIs: press(parsed), filled: press(filledIn(parsed, asking, ways)) },
  };
}

const noForm: Sending = { status: 'nothing', why: 'The button belongs to no form.' };

function sendingOf(
  form: Parameters<typeof submit>[0],
  submitter: number,
  asking: Asking,
  habits: Habits,
  ways: Ways,
): Sending {
  const outcome = submit(form, { submitter, base: 'http://localhost/', boundary }, ways);
  switch (outcome.status) {
    case 'sent': {
      const { method, url, contentType, body } = outcome;
      return { status: 'sent', method, url, contentType, body };
    }
    case 'not a request':
      return { status: 'nothing', why: outcome.why };
    case 'blocked': {
      const by = fieldOfControl(asking.fields, outcome.by.control.ordinal);
      return {
        status: 'blocked',
        by: by?.id ?? null,
        message: by ? messageOf(by, outcome.by, habits, ways) : null,
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
  ways: Ways,
): string | null {
  const state = fieldStateOf(field, { value: isDirty ? value : null }, ways);
  return validationMessage(field, state, validityOf(state, ways).flags, habits);
}

/** The page with a value in every field that takes one, as a target is asked with it. */
function filledIn(page: readonly ControlState[], { fields }: Asking, ways: Ways): ControlState[] {
  const filled = [...page];
  for (const field of fields) {
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
    const set = withValue(state, trial.value, ways);
    if (set !== 'InvalidStateError') filled[first.ordinal] = set;
  }
  return filled;
}
