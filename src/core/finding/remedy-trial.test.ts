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

  const plain = '<form><label>A <input name=a></label><label>B <input name=b></label></form>';
  const own = (markup: string): FormDocument => ({ ...hurriedForm, markup, typing: {} });
  const finding = (more: Partial<Finding>): Finding => ({
    ...findingIn(hurriedForm, 'no input type “datetime”'),
    script: null,
    ...more,
  });
  const edit = (start: number, end: number, by: string) =>
    ({ kind: 'markup', edits: [{ start, end, by }] }) as const;
  const [start, end] = [
    plain.indexOf('<input name=b'),
    plain.indexOf('<input name=b') + '<input name=b>'.length,
  ];
  const asked = (change: Finding['change'], field: Finding['field'] = null) =>
    remedyTrial(own(plain), finding({ change, field }))?.before.fields.map(({ id }) => id) ?? null;

  it('is asked of the fields that are edited, from their first character to their last, and of the one that it is about', () => {
    expect(asked(edit(start, end, '<input name=b required>'))).toEqual(['b']);
    expect(asked(edit(end, end, ''))).toEqual(['b']);
    expect(asked(edit(start - 1, end, ' <input name=b>'))).toBeNull();
    expect(asked(edit(start, end + 1, '<input name=b> '))).toBeNull();
    expect(asked(edit(1, 5, 'form'), { id: fieldId('a'), label: 'A' })).toEqual(['a']);
    expect(asked(null)).toBeNull();
  });

  it('is typed with the guards as they are and as they would be, where there is something to type', () => {
    const guard: Guard = {
      kind: 'length',
      stage: 'before insert',
      id: 'a',
      on: true,
      most: 1,
      unit: 'graphemes',
    };
    const change = { kind: 'guards', field: fieldId('a'), guards: [] } as const;
    const script = [{ kind: 'key', key: 'x' }] as const;
    const form = { ...own(plain), typing: { [fieldId('a')]: { script: '', guards: [guard] } } };
    const trial = remedyTrial(form, finding({ change, script }));
    expect(trial?.before).toMatchObject({
      questions: ['typing'],
      scripts: { a: { script, guards: [guard] } },
      fields: [{ id: 'a' }],
    });
    expect(trial?.after).toMatchObject({ scripts: { a: { script, guards: [] } }, fields: [{ id: 'a' }] });
    expect(remedyTrial(own(plain), finding({ change, script }))?.before.scripts).toMatchObject({
      a: { guards: [] },
    });
    expect(remedyTrial(form, finding({ change, script: null }))).toBeNull();
    expect(remedyTrial(form, finding({ change: { ...change, field: fieldId('gone') }, script }))).toBeNull();
  });

  it('is nothing where the same stands after the strokes, and what was not typed is compared by what it shows', () => {
    const typed = (...texts: string[]) =>
      answersOf([
        {
          field: fieldId('a'),
          target: chromium,
          at: '',
          provenance: { mark: 'modelled', model: '', source: '' },
          question: 'typing',
          outcome: {
            status: 'answered',
            facts: { script: [], guards: [], followed: false, steps: texts.map((text) => ({ text })) },
          },
        } as never,
      ]);
    const none = answersOf([]);
    const differences = (before: typeof none, after: typeof none) =>
      trialDifferences(before, after, chromium, fieldId('a'));
    expect(differences(typed('x', 'xy'), typed('xy'))).toEqual([]);
    expect(differences(typed('x'), typed('x', ''))).toEqual([{ what: 'typed', here: '', there: 'x' }]);
    expect(differences(typed('x'), none)).toEqual([]);
    expect(differences(none, typed('x'))).toEqual([]);
    expect([
      typedText(typed('x', 'xy'), chromium, fieldId('a')),
      typedText(typed(), chromium, fieldId('a')),
      typedText(none, chromium, fieldId('a')),
    ]).toEqual(['xy', '', null]);
  });

  it('is nothing where no edit is known', () => {
    expect(remedyTrial(hurriedForm, findingIn(hurriedForm, 'filter in onkeypress'))).toBeNull();
  });
});
