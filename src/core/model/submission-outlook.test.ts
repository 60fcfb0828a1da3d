import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { readForm } from '../html/read-form';
import { sends } from '../html/sender';
import { targetId } from '../target/target';
import { submissionOutlook } from './submission-outlook';

const ids = ['chromium', 'blink-phone', 'nobody'].map(targetId);

function outlook(form: typeof demoForm, which: number) {
  const { fields } = readForm(form.markup);
  const button = fields.filter(({ kind }) => sends(kind)).at(which);
  if (!button) throw new Error('no button');
  return submissionOutlook(form, fields, button, ids);
}

describe('the outlook of a submission', () => {
  it('tells of every button on every target that the model knows, and of the ways that the button’s form has', () => {
    const { observations, ways, unsent } = outlook(demoForm, -1);
    expect(observations.map(({ target, field }) => `${target} ${field}`)).toEqual([
      'chromium do',
      'chromium do~2',
      'blink-phone do',
      'blink-phone do~2',
    ]);
    expect(observations.every(({ provenance }) => provenance.mark === 'modelled')).toBe(true);
    expect(ways.map(({ way }) => way)).toEqual([
      'button',
      'button while valid',
      'enter',
      'requestSubmit()',
      'submit()',
    ]);
    expect(unsent).toContainEqual({ field: expect.any(String), kind: 'meter', why: 'never sent' });
  });

  it('can be told to another thread as it is', () => {
    const told = outlook(hurriedForm, 0);
    expect(structuredClone(told)).toEqual(told);
  });
});
