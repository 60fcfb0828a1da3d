import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { told } from '../../../tests/fixtures/told-finding';
import { hurriedForm } from '../demo/demo-forms';
import type { FormDocument } from '../document/form-document';
import type { Guard } from '../guard/guard';
import { fieldId } from '../html/field';
import { predict } from '../model/predict';
import { answersOf } from '../run/answers';
import { targetId } from '../target/target';
import { formFindingsAtOnce } from './collect-findings';
import type { Finding } from './finding';
import { collected } from './finding';
import { asEarlierFields, remedyTrial, trialDifferences, typedText } from './remedy-trial';

const chromium = targetId('chromium');

function findingIn(form: FormDocument, says: string): Finding {
  const found = collected(
    formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction),
  ).find((one) => [told(one).says, ...told(one).details].some((text) => text.includes(says)));
  if (!found) throw new Error(says);
  return found;
}

/** What the model says a remedy changes, by field. */
function tried(form: FormDocument, says: string) {
  const trial = remedyTrial(form, findingIn(form, says));
  if (!trial) throw new Error('nothing to try');
  const before = answersOf(predict(chromium, trial.before, ''));
  const after = asEarlierFields(trial, predict(chromium, trial.after, ''));
  return {
    trial,
    before,
    after,
    of: trial.fields.map(({ id }) => trialDifferences(before, after, chromium, id)),
  };
}

describe('what a remedy would do', () => {
  it('is asked of the field alone, as it is and as it would be', () => {
    const { trial, of } = tried(hurriedForm, 'no input type “datetime”');
    expect(trial.before.fields.map(({ id }) => id)).toEqual(['moment']);
    expect(of[0]).toContainEqual({ what: 'type', here: 'datetime-local', there: 'text' });
  });

  it('is told of the field as it is now, where it gets a name', () => {
    const { trial, of } = tried(hurriedForm, 'Island page has no name');
    expect(trial.after.fields.map(({ id }) => id)).toEqual(['island-page']);
    expect(trial.fields).toHaveLength(1);
    expect(of).toHaveLength(1);
  });

  it('is asked of all the choices that come together, and told of the first', () => {
    const { trial } = tried(hurriedForm, 'slack is the only radio button');
    expect(trial.before.fields.map(({ id }) => id)).toEqual(['rising', 'slack', 'falling']);
    expect(trial.fields.map(({ id }) => id)).toEqual(['rising']);
  });

  it('is typed where it is about guards', () => {
    const guard: Guard = {
      kind: 'allow',
      stage: 'key',
      id: 'a',
      on: true,
      set: { classes: ['ASCII digits'], own: '' },
    };
    const form: FormDocument = {
      ...hurriedForm,
      markup: '<label>Code <input name=code></label>',
      typing: { [fieldId('code')]: { script: '', guards: [guard] } },
    };
    const { before, after, of } = tried(form, 'bypass');
    expect(typedText(before, chromium, fieldId('code'))).not.toBe('');
    expect(typedText(after, chromium, fieldId('code'))).toBe('');
    expect(of).toEqual([[{ what: 'typed', here: '', there: expect.stringMatching(/./) }]]);
  });

  it('is nothing where no edit is known', () => {
    expect(remedyTrial(hurriedForm, findingIn(hurriedForm, 'filter in onkeypress'))).toBeNull();
  });
});
